import { expect, test } from "@playwright/test";
import {
  clientId,
  expectAccessible,
  expectFits,
  field,
  isAlive,
  lineEditor,
  openStep,
  sheetLines,
  signIn,
  workAs,
} from "../support/bexlo";
import { DESK_STEPS, openPage } from "../support/looks";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

test("the floor fits a tablet of 1024x768", async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await workAs(page, "trainer");
  await openStep(page, "Jorun Salthe", "floor");
  await expectFits(page);
  await expectAccessible(page);
});

test("on the smallest phone nothing covers what is decided next, nor the picked line of a dose", async ({
  page,
}) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await signIn(page, "therapist");
  const isSeen = (what: ReturnType<typeof page.getByTestId>) =>
    what.evaluate((el) => {
      el.scrollIntoView({ block: "end" });
      const box = el.getBoundingClientRect();
      const top = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
      return top !== null && (el.contains(top) || top.contains(el));
    });
  await openStep(page, "Pell Amsworth", "decide");
  expect(await isSeen(page.getByTestId("next").first())).toBe(true);
  await openStep(page, "Pell Amsworth", "dose?line=1");
  expect(await isSeen(lineEditor(page).getByRole("heading").first())).toBe(true);
});

test("on paper the pages have no menu and no buttons, use the whole width, and show what is folded on the screen", async ({
  page,
}) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Tove Aldermoor");
  // a sheet of A4 at 96 pixels an inch, between its margins
  await page.setViewportSize({ width: 718, height: 1047 });
  await page.emulateMedia({ media: "print" });
  for (const step of [...DESK_STEPS, "record"]) {
    await openPage(page, `/clients/${id}/${step}`);
    const box = await page.locator("main").boundingBox();
    expect(`${step} ${(box?.width ?? 0) > 650}`).toBe(`${step} true`);
    await expect(page.locator("nav:visible, .btn:visible")).toHaveCount(0);
  }
  await expect(page.locator("main details:not([open]) p").first()).toBeVisible();
  await page.goto(`/clients/${id}/week`);
  await expect(
    page
      .locator("main")
      .getByText(/^Gym \d+/)
      .first(),
  ).toBeVisible();
});

test("Today works from the keyboard alone", async ({ page }) => {
  await signIn(page, "therapist");
  await page.keyboard.press("j");
  await expect(page.locator("tr[aria-selected=true]")).toHaveCount(1);
  const name = await page.locator("tr[aria-selected=true] a").first().textContent();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/clients\//);
  await expect(page.getByText(name ?? "", { exact: false }).first()).toBeVisible();
});

test("Limits say what bounds the work, why, until when and who can lift it, without a click", async ({
  page,
}) => {
  await workAs(page, "trainer");
  await openStep(page, "Jorun Salthe", "limits");
  await expect(page.getByText(/Confirmed: Early strength/)).toBeVisible();
  const row = page.getByRole("row", { name: /to protect the graft/ });
  await expect(row).toContainText("45° to 90°");
  await expect(row).toContainText("the surgeon, in writing");
  await expect(row.locator("b")).toHaveText(["45°", "90°"]);
  await expect(page.getByText(/ACL reconstruction, early strength until a therapist confirms/)).toBeVisible();
  const holds = page.locator("dl > div", { hasText: "angles of a held extension" });
  await expect(holds.locator("b")).toHaveText(["60°", "90°"]);
  await expect(page.getByText(/To open “build strength”/)).toBeVisible();
  await expect(page.getByText("Open-chain knee extension after ACL reconstruction")).toBeVisible();
  await expect(page.getByText(/unverified citation/)).toBeVisible();
});

test("a deep link opens a sheet at a line; dragging the flag moves every number", async ({ page }) => {
  await workAs(page, "therapist");
  await openStep(page, "Tove Aldermoor", "dose?line=1");
  const slider = page.getByRole("slider", { name: "Hold angle, knee flexion" });
  await expect(slider).toBeVisible();
  const before = Number(await slider.getAttribute("aria-valuenow"));
  const line = sheetLines(page).first();
  await expect(line).toHaveAttribute("aria-label", new RegExp(`at ${before}°`));
  const flag = slider.locator("rect").last();
  const box = await flag.boundingBox();
  if (!box) throw new Error("no flag");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 60, y, { steps: 8 });
  await page.mouse.up();
  const after = Number(await slider.getAttribute("aria-valuenow"));
  expect(after).toBeLessThan(before);
  await expect(line).toHaveAttribute("aria-label", new RegExp(`at ${after}°`));
  await expect(field(page, "atDeg")).toHaveValue(String(after));
});

test("a dose is found in a worker and can be used", async ({ page }) => {
  await workAs(page, "therapist");
  await openStep(page, "Tove Aldermoor", "dose");
  await lineEditor(page).getByLabel("effort").selectOption("percent");
  await field(page, "percent").fill("40");
  await page.getByRole("button", { name: /Find dose/ }).click();
  const dialog = page.getByRole("dialog", { name: "Find a dose" });
  await dialog.getByLabel("held in all").fill("nonsense");
  await dialog.getByRole("button", { name: "Search" }).click();
  await expect(dialog.getByText("Enter total held as a number in seconds.")).toBeVisible();
  await dialog.getByLabel("held in all").fill("120");
  await dialog.getByRole("button", { name: "Search" }).click();
  await expect(dialog.getByText(/s held/)).toBeVisible();
  await dialog.getByRole("button", { name: "Use it" }).click();
  await expect(lineEditor(page).getByLabel("effort")).toHaveValue("percent");
  await expect(sheetLines(page).first()).toHaveAttribute("aria-label", /\d × \d+ s at \d+°, [34]\d %/);
});

test("light and dark are kept for the next visit", async ({ page }) => {
  await signIn(page, "therapist");
  await page.getByRole("button", { name: "light or dark" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "gym");
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "gym");
});

test("two therapists at one sheet: the second is told and keeps what was typed", async ({
  page,
  browser,
}) => {
  await workAs(page, "therapist");
  const id = await openStep(page, "Pell Amsworth", "dose");
  const other = await (await browser.newContext()).newPage();
  await signIn(other, "therapist");
  await other.goto(`/clients/${id}/dose`);
  await isAlive(other);
  await field(other, "restS").fill("75");
  await other.getByRole("button", { name: /Save sheet/ }).click();
  await expect(other.getByText(/Saved as version/)).toBeVisible();
  await field(page, "restS").fill("80");
  await page.getByRole("button", { name: /Save sheet/ }).click();
  await expect(page.getByText(/saved version \d+ of this sheet meanwhile/)).toBeVisible();
  await expect(field(page, "restS")).toHaveValue("80");
  await page.reload();
  await isAlive(page);
  await expect(field(page, "restS")).toHaveValue("75");
  await page.getByRole("button", { name: "Take them up" }).click();
  await expect(field(page, "restS")).toHaveValue("80");
  await page.getByRole("button", { name: /Save sheet/ }).click();
  await expect(page.getByText(/Saved as version \d+/)).toBeVisible();
});
