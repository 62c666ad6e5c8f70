import { expect, type Page } from "@playwright/test";

/** A clock that a test can wind on. */
const LONGEST_HOLD_S = 62;
/** A sheet has fewer things to do than this; a floor that does not move on is a fault, not a wait. */
const MOST_DEEDS = 400;
const band = (page: Page) => page.getByTestId("band");

/** Joint pain that is answered before a set and at the end, and in the sets. */
export interface Pains {
  around: number;
  inSets: number;
}

/** Does whatever the band of the floor asks for until the visit is closed. */
export async function runFloor(
  page: Page,
  pains: Pains = { around: 0, inSets: 0 },
): Promise<{ sets: number; lines: Set<string> }> {
  const [around, inSets] = [String(pains.around), String(pains.inSets)];
  const lines = new Set<string>();
  let sets = 0;
  for (let i = 0; i < MOST_DEEDS; i++) {
    const word = (await band(page).textContent()) ?? "";
    if (word.includes("DONE")) return { sets, lines };
    if (word.includes("SET UP")) {
      lines.add((await page.getByRole("heading", { level: 2 }).first().textContent()) ?? "");
      const pins = page.getByRole("checkbox", { name: /Safety pins/ });
      // ticked already where the answer before was faster than the tick
      if ((await pins.count()) && !(await pins.isChecked())) {
        await page.keyboard.press(around);
        // without the tick of the pins nothing starts
        await expect(band(page)).toContainText("SET UP");
        await pins.check();
      }
      await page.keyboard.press(around);
    } else if (word.includes("HOLD")) await page.clock.runFor(LONGEST_HOLD_S * 1000);
    else if (word.includes("MOVE") || word.includes("GO") || word.includes("REST"))
      await page.keyboard.press(" ");
    else {
      const now = page.getByRole("button", { name: `Joint pain now: ${around}`, exact: true });
      if (await now.count()) {
        await page.keyboard.press(around);
        await expect(now).toHaveAttribute("aria-pressed", "true");
        await page.keyboard.press("Enter");
      } else {
        const asked = page.getByRole("group", { name: /How many more|Felt effort/ });
        const isRated = (await page.getByText("Joint pain in it").count()) > 0;
        if (isRated) sets += 1;
        await page.keyboard.press(isRated ? inSets : around);
        if (await asked.count()) await asked.getByRole("button", { name: /: 3$/ }).click();
      }
    }
    await page.clock.runFor(200);
  }
  throw new Error(`The floor did not come to an end; it says ${await page.locator("main").textContent()}.`);
}

const key = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

/** Does whatever the phone asks for until the visit is closed; gives the names of the exercises. */
export async function runPhone(page: Page, pains: Pains): Promise<Set<string>> {
  const seen = new Set<string>();
  for (let i = 0; i < MOST_DEEDS; i++) {
    const word = (await band(page).textContent()) ?? "";
    const heading = (await page.getByRole("heading", { level: 1 }).first().textContent()) ?? "";
    if (word === "DONE") return seen;
    if (word === "NEXT") {
      seen.add(heading);
      const pins = page.getByLabel(/pins are in/);
      if (await pins.count()) await pins.check();
      await key(page, "I am ready").click();
    } else if (word === "GO" || word === "REST") await page.getByRole("button", { name: /^Start/ }).click();
    else if (word === "HOLD") await page.clock.runFor(LONGEST_HOLD_S * 1000);
    else if (word === "MOVE") {
      await page.getByRole("button", { name: "one more" }).click();
      await key(page, "That was it").click();
    } else {
      const isRated = (await page.getByText("Pain in the joint during it").count()) > 0;
      await key(page, `${isRated ? pains.inSets : pains.around} of 10`)
        .first()
        .click();
      const effort = page.getByRole("button", { name: /^(effort 5 of 10|5 more)$/ });
      if (isRated && (await effort.count())) await effort.click();
    }
    await page.clock.runFor(200);
  }
  throw new Error("The phone did not come to an end.");
}
