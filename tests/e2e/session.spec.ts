import { randomUUID } from "node:crypto";
import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, expectFits, isAlive, openStep, post, signIn } from "./bexlo";

const lines = (page: Page) => page.locator("main ol button svg[role=img]");
const words = (page: Page) =>
  lines(page).evaluateAll((all) => all.map((l) => l.getAttribute("aria-label") ?? ""));

test("a therapist drafts a session from the rules, corrects it and saves it, from the keyboard alone", async ({
  page,
}) => {
  await signIn(page, "therapist");
  await openStep(page, "Tove Aldermoor", "session");
  await expect(page.getByText("Nothing stands here yet.")).toBeVisible();
  await page.keyboard.press("t");
  await expect(lines(page).first()).toBeVisible();
  await expect(
    page.getByText(/Heavy work comes first here|move it behind, or|while fresh: move/),
  ).toHaveCount(0);
  const drafted = await words(page);
  expect(drafted.length).toBeGreaterThanOrEqual(4);
  await expect(page.getByText(/hard repetitions/).first()).toBeVisible();
  await expectFits(page);
  await expectAccessible(page);
  // the second line to the top: heavy work would come first, and the desk says so
  await page.keyboard.press("j");
  await page.keyboard.press("u");
  expect((await words(page))[0]).toContain((drafted[1] ?? "").slice(3, 20));
  await expect(page.getByText(/put one or two light sets or holds before it/)).toBeVisible();
  await page.keyboard.press("z");
  expect(await words(page)).toEqual(drafted);
  await page.keyboard.press("x");
  expect(await lines(page).count()).toBe(drafted.length - 1);
  await page.keyboard.press("z");
  await page.keyboard.press("y");
  expect(await lines(page).count()).toBe(drafted.length - 1);
  await page.keyboard.press("s");
  await expect(page.getByText("Saved as version 1 by Ines Marlowick.")).toBeVisible();
  await page.reload();
  await isAlive(page);
  expect(await lines(page).count()).toBe(drafted.length - 1);
});

test("a scheme that does not suit is barred with its reason and cannot be saved; numbers follow", async ({
  page,
}) => {
  await signIn(page, "therapist");
  const id = await openStep(page, "Dorrit Fenwake", "session");
  await page.getByLabel("Add an exercise that fits").selectOption({ label: "Seated horizontal leg press" });
  const editor = page.getByRole("complementary", { name: "The picked line" });
  await editor.getByLabel("scheme").selectOption("stretch");
  await expect(editor.getByText(/Barred, because this exercise is no stretch/)).toBeVisible();
  await expect(editor.getByRole("button", { name: /Save session/ })).toBeDisabled();
  await editor.getByLabel("scheme").selectOption("straight");
  await editor.getByRole("spinbutton", { name: "sets" }).fill("5");
  await expect(lines(page).first()).toHaveAttribute("aria-label", /5 × 10, 3 left/);
  const scheme = { kind: "straight", sets: 99, reps: 10, reserve: 3, tempo: {}, restS: 90 };
  const bad = {
    id: randomUUID(),
    baseVersion: 0,
    items: [{ exerciseId: "lp_horizontal", scheme, sides: 1 }],
  };
  expect((await post(page, `/api/clients/${id}/scores`, bad)).status).toBe(422);
  for (const body of ["{", "[]", { ...bad, items: [] }, { ...bad, items: "x" }])
    expect((await post(page, `/api/clients/${id}/scores`, body)).status).toBe(422);
});

test("every demo client gets a sensible draft for the gym and for home; a trainer reads and changes nothing", async ({
  page,
}) => {
  await signIn(page, "therapist");
  for (const name of ["Idony Greaves", "Jorun Salthe", "Maren Ostrelle", "Pell Amsworth", "Quill Bastow"]) {
    await openStep(page, name, "session");
    for (const place of ["gym", "home"]) {
      await page.getByLabel("draft for").selectOption(place);
      await page.getByRole("button", { name: /Draft from the rules/ }).click();
      await expect(lines(page).first()).toBeVisible();
      expect(await lines(page).count(), `${name} ${place}`).toBeGreaterThanOrEqual(3);
      await expect(
        page.getByText(/Heavy work comes first here|move it behind, or|while fresh: move/),
      ).toHaveCount(0);
      expect((await words(page)).filter((w) => w.includes("barred"))).toEqual([]);
    }
  }
  await page.context().clearCookies();
  await signIn(page, "trainer");
  await openStep(page, "Pell Amsworth", "session");
  await expect(page.getByRole("button", { name: /Draft from the rules/ })).toHaveCount(0);
  await expect(page.getByText(/Only a therapist changes a dose/)).toBeVisible();
});
