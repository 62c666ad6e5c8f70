import { expect, type Locator, type Page } from "@playwright/test";

/** Goes to a control by the tab key alone; fails when the keyboard does not reach it. */
export async function tabTo(page: Page, target: Locator, most = 160): Promise<void> {
  for (let i = 0; i < most; i++) {
    if (await target.evaluate((el) => el === document.activeElement).catch(() => false)) return;
    await page.keyboard.press("Tab");
  }
  throw new Error(`The tab key does not reach ${target}.`);
}

export async function typeInto(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press("Control+A");
  await page.keyboard.type(text);
  await expect(target).toHaveValue(text);
}

/** Chooses in a list by typing the start of the entry, as the browser offers it. */
export async function pickBy(page: Page, target: Locator, start: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.type(start, { delay: 20 });
  const chosen = await target.evaluate(
    (el) => (el as HTMLSelectElement).selectedOptions[0]?.textContent ?? "",
  );
  expect(chosen.toLowerCase().startsWith(start.toLowerCase())).toBe(true);
}

/** Checks a radio button by the arrow keys of its group, or a checkbox by space. */
export async function check(page: Page, target: Locator): Promise<void> {
  if (await target.isChecked()) return;
  const name = await target.getAttribute("name");
  const isRadio = (await target.getAttribute("type")) === "radio";
  if (!isRadio) {
    await tabTo(page, target);
    await page.keyboard.press(" ");
    return;
  }
  const group = page.locator(`input[type=radio][name="${name}"]`);
  for (let i = 0; i < 160; i++) {
    const isIn = await group.evaluateAll((all) => all.includes(document.activeElement as HTMLInputElement));
    if (isIn) break;
    await page.keyboard.press("Tab");
  }
  await page.keyboard.press(" ");
  for (let i = 0; i < 12 && !(await target.isChecked()); i++) await page.keyboard.press("ArrowRight");
  await expect(target).toBeChecked();
}

/** Types a day as the reader writes it: day, month, year. */
export async function typeDay(page: Page, target: Locator, isoDay: string): Promise<void> {
  const [y, m, d] = isoDay.split("-");
  await tabTo(page, target);
  await page.keyboard.press("Control+A");
  await page.keyboard.type(`${d}.${m}.${y}`);
  await expect(target).toHaveAttribute("data-day", isoDay);
}

export async function press(page: Page, target: Locator): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press("Enter");
}
