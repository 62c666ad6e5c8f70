import { expect, type Page, test } from "@playwright/test";
import { clientId, isAlive, lineEditor, openStep, sheetLines, signIn } from "./support/bexlo";
import { letANightPass, putTheDemoBack, restartEverything } from "./support/stack";

test.beforeAll(putTheDemoBack);

const band = (page: Page) => page.getByTestId("band");
/** A clock that a test can wind on. */
const LONGEST_HOLD_S = 62;
/** A sheet has fewer things to do than this; a floor that does not move on is a fault, not a wait. */
const MOST_DEEDS = 400;

/** Does whatever the band of the floor asks for, with joint pain 0, until the visit is closed. */
async function runVisit(page: Page): Promise<{ sets: number; lines: Set<string> }> {
  const lines = new Set<string>();
  let sets = 0;
  for (let i = 0; i < MOST_DEEDS; i++) {
    const word = (await band(page).textContent()) ?? "";
    const where = (await page.locator("main").textContent()) ?? "";
    if (word.includes("DONE")) return { sets, lines };
    if (word.includes("SET UP")) {
      lines.add((await page.getByRole("heading", { level: 2 }).first().textContent()) ?? "");
      const pins = page.getByRole("checkbox", { name: /Safety pins/ });
      if (await pins.count()) {
        await page.keyboard.press("0");
        // without the tick of the pins nothing starts
        await expect(band(page)).toContainText("SET UP");
        await pins.check();
      }
      await page.keyboard.press("0");
    } else if (word.includes("HOLD")) await page.clock.runFor(LONGEST_HOLD_S * 1000);
    else if (word.includes("MOVE") || word.includes("GO") || word.includes("REST"))
      await page.keyboard.press(" ");
    else if (where.includes("Everything is done")) {
      await page.keyboard.press("0");
      await expect(page.getByRole("button", { name: "Joint pain now: 0", exact: true })).toHaveAttribute(
        "aria-pressed",
        "true",
      );
      await page.keyboard.press("Enter");
    } else {
      const asked = page.getByRole("group", { name: /How many more|Felt effort/ });
      const isRated = await page.getByText("Joint pain in it").count();
      if (isRated) sets += 1;
      await page.keyboard.press("0");
      if (await asked.count()) await asked.getByRole("button", { name: /: 3$/ }).click();
    }
    await page.clock.runFor(200);
  }
  throw new Error(`The floor did not come to an end; it says ${await page.locator("main").textContent()}.`);
}

const CLIENTS = [
  { name: "Idony Greaves", morning: "0" },
  { name: "Maren Ostrelle", morning: "4" },
  { name: "Dorrit Fenwake", morning: "0" },
] as const;

for (const { name, morning } of CLIENTS)
  test(`${name}: drafted, corrected, run line by line, decided by line, across a restart`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    await signIn(page, "therapist");
    const id = await clientId(page, name);
    await letANightPass(id);
    await openStep(page, name, "dose?sheet=new");
    await page.keyboard.press("t");
    await expect(sheetLines(page).first()).toBeVisible();
    const drafted = await sheetLines(page).count();
    for (let i = 1; i < drafted; i++) await page.keyboard.press("j");
    if (drafted > 3) await page.keyboard.press("x");
    await page.getByLabel("Name of the sheet").fill("Round");
    await page.keyboard.press("Escape");
    await page.keyboard.press("s");
    await expect(page.getByText(/Saved as version 1/)).toBeVisible();
    const planned = await labels(page);
    await page.clock.install();
    await page.getByRole("button", { name: "Take to floor" }).click();
    await expect(page.getByText("Before the first set")).toBeVisible();
    await page.clock.runFor(500);
    await page.keyboard.press("n");
    await page.clock.runFor(1000);
    const ran = await runVisit(page);
    expect(ran.lines.size).toBe(planned.length);
    expect(ran.sets).toBeGreaterThanOrEqual(planned.length);
    await page.clock.runFor(2000);
    await expect(page.getByText("saved at the clinic")).toBeVisible();

    await restartEverything();
    await letANightPass(id);
    await page.goto(`/clients/${id}/morning`);
    await expect(
      page.getByText(new RegExp(`Round: ${planned.length} of ${planned.length} lines? done`)),
    ).toBeVisible();
    await page.clock.runFor(500);
    await page.keyboard.press(morning);
    const none = page.getByLabel("none", { exact: true });
    if (await none.count()) await none.first().check();
    await page.keyboard.press("s");
    await page.clock.runFor(500);
    await page.getByRole("link", { name: /Decide what comes next/ }).click();
    await expect(page.getByTestId("draft")).toHaveCount(planned.length);
    const says = await page.getByTestId("next").allTextContents();
    if (morning === "4") expect(says.some((s) => !s.startsWith("The same again"))).toBe(true);
    await page.clock.runFor(500);
    await page.keyboard.press("a");
    await expect(page.getByRole("heading", { name: "Decided" })).toBeVisible();

    // the next version is what the decisions said, line by line
    await page.goto(`/clients/${id}/dose`);
    await page.getByRole("link", { name: /^Round/ }).click();
    await expect(page.getByLabel("Name of the sheet")).toHaveValue("Round");
    const next = await labels(page);
    const version = says.every((s) => s.startsWith("The same again")) ? 1 : 2;
    await expect(lineEditor(page).getByText(new RegExp(`Saved as version ${version}`))).toBeVisible();
    for (const [i, said] of says.entries())
      if (said.startsWith("The same again")) expect(next[i]).toBe(planned[i]);
    if (version === 2) expect(next).not.toEqual(planned);
  });

const labels = (page: Page) =>
  sheetLines(page).evaluateAll((all) => all.map((l) => l.getAttribute("aria-label") ?? ""));

test("a trainer logs the first set of a planned client in five taps after signing in", async ({ page }) => {
  test.setTimeout(150_000);
  await signIn(page, "therapist");
  await letANightPass(await clientId(page, "Idony Greaves"));
  await page.context().clearCookies();
  await signIn(page, "trainer");
  await page.goto("/");
  await isAlive(page);
  const row = page.getByRole("row", { name: /Idony Greaves/ });
  let taps = 0;
  const tap = async (name: string | RegExp, role: "link" | "button" = "button") => {
    await (role === "link" ? row : page).getByRole(role, { name }).first().click();
    taps += 1;
  };
  await tap(/^Run /, "link");
  await tap(/None of these/);
  const pins = page.getByRole("checkbox", { name: /Safety pins/ });
  await expect(band(page)).toContainText("SET UP");
  if (await pins.count()) await pins.check();
  const keys = page.getByRole("group", { name: /^Joint pain/ });
  await keys.getByRole("button", { name: /: 0$/ }).click();
  taps += 1;
  await tap(/^Go/);
  // a hold ends by itself; a set of repetitions ends with the key of its pain
  if (((await band(page).textContent()) ?? "").includes("HOLD"))
    await expect(band(page)).toContainText("PAIN?", { timeout: 70_000 });
  await keys.getByRole("button", { name: /: 0$/ }).click();
  taps += 1;
  await expect(page.getByText(/· pain 0/).first()).toBeVisible();
  await expect(page.getByText("saved at the clinic")).toBeVisible();
  expect(taps).toBe(5);
});
