import { expect, type Page, test } from "@playwright/test";
import { isAlive, openStep, signIn, workAs } from "./support/bexlo";
import { putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

/** Left without saving, opened again: what was typed is offered and taken up. */
async function takeUpAfterReload(page: Page, open?: () => Promise<void>): Promise<void> {
  await page.reload();
  await isAlive(page);
  await open?.();
  await page.getByRole("button", { name: "Take them up" }).click();
  await expect(page.getByRole("button", { name: "Take them up" })).toBeHidden();
}

test("what is asked, measured, limited, planned and decided and not saved yet survives a reload on every screen", async ({
  page,
}) => {
  await signIn(page, "therapist");

  await test.step("answers to the warning signs, with their number of blood pressure", async () => {
    await openStep(page, "Pell Amsworth", "screen");
    await page.getByRole("button", { name: "Ask again" }).click();
    await page.keyboard.press("n");
    await page.keyboard.press("u");
    await page.locator("input[name=systolicMmHg]").fill("134");
    await takeUpAfterReload(page);
    await expect(page.getByText(/^\d+ without an answer/)).toBeVisible();
    await expect(page.locator("main input[type=radio]:checked")).toHaveCount(2);
    await expect(page.locator("input[name=systolicMmHg]")).toHaveValue("134");
  });

  await test.step("a limit in its dialog", async () => {
    await openStep(page, "Pell Amsworth", "limits");
    const change = () => page.getByRole("button", { name: "Change bend under load, therapist" }).click();
    await change();
    const dialog = page.getByRole("dialog", { name: "Change a limit" });
    await dialog.locator("input[name=high]").fill("83");
    await dialog.getByLabel("because").fill("the cuff rubs");
    await takeUpAfterReload(page, change);
    await expect(dialog.locator("input[name=high]")).toHaveValue("83");
    await expect(dialog.getByLabel("because")).toHaveValue("the cuff rubs");
    await dialog.locator("input[name=high]").fill("84");
  });

  await test.step("forces of a test, in the movement they were taken in", async () => {
    await openStep(page, "Pell Amsworth", "measure");
    await page.getByLabel("movement").selectOption("knee_flexion");
    await page.getByLabel("or force read off").fill("180");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await page.getByRole("button", { name: "Joint pain in that push: 1", exact: true }).click();
    await takeUpAfterReload(page);
    await expect(page.getByLabel("movement")).toHaveValue("knee_flexion");
    await expect(page.getByRole("button", { name: "take back", exact: true })).toHaveCount(1);
    await expect(
      page.getByRole("button", { name: "Joint pain in that push: 1", exact: true }),
    ).toHaveAttribute("aria-pressed", "true");
  });

  await test.step("a week's wishes and the days put by hand", async () => {
    await openStep(page, "Idony Greaves", "week");
    await page.getByLabel("Gym: days a week", { exact: true }).selectOption("1");
    await expect(page.getByRole("button", { name: /^Keep these days/ })).toBeEnabled();
    await takeUpAfterReload(page);
    await expect(page.getByLabel("Gym: days a week", { exact: true })).toHaveValue("1");
  });

  await test.step("a decision other than the draft, and its reason", async () => {
    await openStep(page, "Pell Amsworth", "decide");
    await page.getByRole("combobox", { name: /^Decision for/ }).selectOption("HOLD");
    await page.getByLabel("Reason for another decision than the draft").fill("slept on the sore side");
    await takeUpAfterReload(page);
    await expect(page.getByLabel("Reason for another decision than the draft")).toHaveValue(
      "slept on the sore side",
    );
  });

  await test.step("how the morning was", async () => {
    await openStep(page, "Pell Amsworth", "morning");
    await page.locator("input[name=stiffnessMin]").fill("25");
    await takeUpAfterReload(page);
    await expect(page.locator("input[name=stiffnessMin]")).toHaveValue("25");
  });

  await test.step("who signs out is asked, and leaves nothing behind for whoever comes next", async () => {
    await page.getByRole("button", { name: "sign out" }).click();
    const asked = page.getByRole("dialog", { name: "Sign out" });
    await asked.getByRole("button", { name: "Stay signed in" }).click();
    await expect(asked).toBeHidden();
    await expect(page.getByRole("button", { name: "sign out" })).toBeFocused();
    await page.getByRole("button", { name: "sign out" }).click();
    await asked.getByRole("button", { name: "Drop them and sign out" }).click();
    await expect(page).toHaveURL(/sign-in/);
    expect(
      await page.evaluate(() => Object.keys(localStorage).filter((k) => k.startsWith("draft "))),
    ).toEqual([]);
  });
});

test("answers of another day are not offered: they are asked anew", async ({ page }) => {
  await workAs(page, "therapist");
  await openStep(page, "Pell Amsworth", "screen");
  await page.getByRole("button", { name: "Ask again" }).click();
  await page.keyboard.press("n");
  await page.evaluate(() => {
    const key = Object.keys(localStorage).find((k) => k.startsWith("draft screen ")) ?? "";
    const kept = JSON.parse(localStorage.getItem(key) ?? "{}");
    // a page that is left writes nothing more
    window.addEventListener("pagehide", () =>
      localStorage.setItem(key, JSON.stringify({ ...kept, on: "2026-01-05" })),
    );
  });
  await page.reload();
  await isAlive(page);
  await expect(page.getByRole("button", { name: "Ask again" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Take them up" })).toBeHidden();
});
