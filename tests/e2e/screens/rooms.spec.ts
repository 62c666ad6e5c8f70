import { expect, test } from "@playwright/test";
import { workAs } from "../support/bexlo";
import { axeFinds, looksWrong, spillsOf } from "../support/looks";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const ROOMS = [
  ...["/", "/caseload", "/stances", "/sources", "/outbox", "/clients/new", "/gym", "/gym/new"],
  ...["/gym/new?kind=seated_press", "/files", "/clinic", "/settings"],
  ...["/library", "/library/lp_horizontal", "/library/results", "/library/new?like=lp_single"],
];

/** Looked at in the dark too: those with parts that no step of the desk has. */
const DARK = ["/", "/caseload", "/gym/new?kind=seated_press", "/library", "/settings"];

test("the sign-in fits, and axe finds nothing", async ({ page }) => {
  await page.goto("/sign-in");
  expect(await spillsOf(page)).toEqual([]);
  expect(await axeFinds(page)).toEqual([]);
});

for (const path of ROOMS)
  test(`${path} fits, has few words, and axe finds nothing, whatever size and colours`, async ({ page }) => {
    await workAs(page, "therapist");
    expect(await looksWrong(page, path, DARK.includes(path) ? "dark" : "sizes")).toEqual([]);
  });
