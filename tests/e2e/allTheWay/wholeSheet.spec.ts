import { expect, type Page, test } from "@playwright/test";
import { clientId, isAlive, lineEditor, openStep, sheetLines, signIn, workAs } from "../support/bexlo";
import { runFloor } from "../support/run";
import { letANightPass, putTheDemoBack, restartEverything } from "../support/stack";

test.beforeAll(putTheDemoBack);

const band = (page: Page) => page.getByTestId("band");

const CLIENTS = [
  { name: "Maren Ostrelle", morning: "4" },
  { name: "Idony Greaves", morning: "0", tag: "@long" },
  { name: "Dorrit Fenwake", morning: "0", tag: "@long" },
];

for (const { name, morning, ...when } of CLIENTS)
  test(
    `${name}: drafted, corrected, run line by line, decided by line, across a restart`,
    when,
    async ({ page }) => {
      await workAs(page, "therapist");
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
      const ran = await runFloor(page);
      expect(ran.lines.size).toBe(planned.length);
      expect(ran.sets).toBeGreaterThanOrEqual(planned.length);
      await page.clock.runFor(2000);
      await expect(page.getByText("saved at the clinic")).toBeVisible();

      await restartEverything();
      // whatever hour of the night this runs at: the morning after has begun
      await letANightPass(id, 2);
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
      await page
        .getByRole("main")
        .getByRole("link", { name: /Decide what comes next/ })
        .click();
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
    },
  );

const labels = (page: Page) =>
  sheetLines(page).evaluateAll((all) => all.map((l) => l.getAttribute("aria-label") ?? ""));

test("a trainer logs the first set of a planned client in five taps after signing in", async ({ page }) => {
  await signIn(page, "therapist");
  await letANightPass(await clientId(page, "Idony Greaves"));
  await page.context().clearCookies();
  await workAs(page, "trainer");
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
    await expect(band(page)).toContainText("PAIN?", { timeout: 200_000 });
  await keys.getByRole("button", { name: /: 0$/ }).click();
  taps += 1;
  await expect(page.getByText(/· pain 0/).first()).toBeVisible();
  await expect(page.getByText("saved at the clinic")).toBeVisible();
  expect(taps).toBe(5);
});
