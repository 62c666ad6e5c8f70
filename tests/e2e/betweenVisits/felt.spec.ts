import { expect, type Page, test } from "@playwright/test";
import { bandSays, clientId, expectAccessible, expectFits, isAlive, signIn } from "../support/bexlo";
import { letANightPass, letTheMorningBeNow, putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const NAME = "Tove Aldermoor";
const band = (page: Page) => page.getByTestId("band");
const name = (page: Page) => page.getByRole("heading", { level: 2 }).first();
/** One key of a row of scores. */
const score = (page: Page, row: RegExp, n: number) =>
  page.getByRole("group", { name: row }).getByRole("button", { name: new RegExp(`: ${n}$`) });

/** To the questions after the first set of the line that is set up. */
async function toTheRating(page: Page): Promise<void> {
  // a key that is pressed before its question stood answers nothing
  await bandSays(page, "SET UP");
  const pins = page.getByRole("checkbox", { name: /Safety pins/ });
  if (await pins.count()) await pins.check();
  await page.keyboard.press("1");
  await bandSays(page, "GO");
  await page.keyboard.press(" ");
  await bandSays(page, "MOVE");
  await page.keyboard.press(" ");
  await bandSays(page, "PAIN?");
}

/** Nothing more of this line, or of any: what is left is left out. */
async function leaveTheRest(page: Page): Promise<void> {
  for (let i = 0; i < 8; i++) {
    if (await page.getByRole("button", { name: /^Close the visit/ }).count()) return;
    const before = (await name(page).textContent()) ?? "";
    await page.locator("summary", { hasText: "more" }).click();
    await page.getByRole("button", { name: "leave out the line" }).click();
    await expect(name(page)).not.toHaveText(before);
  }
}

test("what is felt elsewhere, worn, eased and done besides goes into what is decided, each where it belongs", async ({
  page,
}) => {
  await signIn(page, "therapist");
  const id = await clientId(page, NAME);
  // the side of the hip is followed, by its own bound
  await page.goto(`/clients/${id}/story`);
  await isAlive(page);
  await page.getByRole("button", { name: "a region", exact: true }).click();
  await page.locator("select[name=region-0]").selectOption("hip_side");
  await page.locator("input[name=region-usual-0]").fill("1");
  await page.locator("input[name=region-most-0]").fill("3");
  await page.getByRole("button", { name: /^Save the story/ }).click();
  await expect(page.getByText(/saved/i).last()).toBeVisible();
  await letANightPass(id);
  await page.goto(`/clients/${id}/floor`);
  await page.getByRole("link", { name: /^Gym/ }).click();
  await expect(page.getByText("Before the first set")).toBeVisible();
  await isAlive(page);
  await page.keyboard.press("n");
  await bandSays(page, "SET UP");
  await score(page, /^step down.*pain now/, 6).click();
  await expect(score(page, /^step down.*pain now/, 6)).toHaveAttribute("aria-pressed", "true");
  // a line that loads the hip asks for it; above its bound it ends this line, and the next one goes on
  const hurt = (await name(page).locator("xpath=.").textContent()) ?? "";
  await toTheRating(page);
  await score(page, /^Pain in it: side of the hip/, 5).click();
  await expectFits(page);
  await expectAccessible(page);
  await page.keyboard.press("1");
  await score(page, /How many more/, 4).click();
  await expect(page.getByText(/ended: pain 5 in it, side of the hip: above the 3/)).toBeVisible();
  await expect(name(page)).not.toHaveText(hurt);
  // the next line is done with a wrap that nobody planned
  const wrapped = (await name(page).textContent()) ?? "";
  await page.getByLabel("worn").selectOption("tight_wrap");
  await page.getByLabel("worn").blur();
  await toTheRating(page);
  await page.keyboard.press("1");
  await score(page, /How many more/, 4).click();
  await expect(band(page)).toContainText(/REST|GO|SET UP/);
  await leaveTheRest(page);
  await score(page, /^step down.*6 before/, 3).click();
  await score(page, /^Joint pain now/, 1).click();
  await page.keyboard.press("Enter");
  await expect(page.getByText(/Done. Nothing more to enter/)).toBeVisible();
  // the morning asks for the hip too, and what else was done that day
  await letTheMorningBeNow(id);
  await page.goto(`/clients/${id}/morning`);
  await isAlive(page);
  // the visit of the demo before it waits still: its morning goes first
  for (const of of ["earlier", "this"]) {
    const asks = page.getByRole("group", { name: /^Pain that morning: side of the hip/ });
    await score(page, /^Joint pain that morning/, 1).click();
    if (of === "earlier" && (await page.getByText(/Holds: 1 of 1/).count())) {
      await score(page, /^Pain that morning: side of the hip/, 1).click();
      await page.getByRole("button", { name: /^Save the/ }).click();
      await expect(page.getByRole("link", { name: /Decide what comes next/ })).toBeVisible();
      await page.goto(`/clients/${id}/decide`);
      await isAlive(page);
      await page
        .getByRole("button", { name: /^(Accept|Take)/ })
        .first()
        .click();
      await page.goto(`/clients/${id}/morning`);
      await isAlive(page);
      continue;
    }
    await page.getByRole("button", { name: /^Save the/ }).click();
    await expect(page.getByText("Choose 0 to 10 for the side of the hip.")).toBeVisible();
    await asks.getByRole("button", { name: /: 1$/ }).click();
    await page.getByLabel("five-a-side football").check();
    await score(page, /^How hard it was/, 7).click();
    await page.getByRole("button", { name: /^Save the/ }).click();
    await expect(page.getByRole("link", { name: /Decide what comes next/ })).toBeVisible();
    break;
  }
  await page.goto(`/clients/${id}/decide`);
  await isAlive(page);
  await expect(page.getByText(/pain reached 5 in the side of the hip/).first()).toBeVisible();
  await expect(page.getByText("6, 3")).toBeVisible();
  await expect(page.getByText(/five-a-side football was hard on the same part/)).toBeVisible();
  await expect(page.getByText(/done with more than planned \(tight wrap\)/).first()).toBeVisible();
  await expectAccessible(page);
  expect(wrapped).not.toBe(hurt);
  await page.goto(`/clients/${id}/review`);
  await expect(page.getByText("Pain: side of the hip").first()).toBeVisible();
  await expect(page.getByText("Pain in: step down from 15 cm").first()).toBeVisible();
});
