import { expect, type Page, test } from "@playwright/test";
import {
  addExercise,
  clientId,
  expectAccessible,
  expectFits,
  field,
  isAlive,
  openStep,
  signIn,
  workAs,
} from "./support/bexlo";
import { putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

/** Fills the new-client form by mouse and typing; the keyboard-only way has a test of its own. */
async function enter(
  page: Page,
  name: string,
  over: { birthYear?: string; uncovered?: string } = {},
): Promise<void> {
  await page.goto("/clients/new");
  await isAlive(page);
  await page.getByLabel("name or initials").fill(name);
  await field(page, "birthYear").fill(over.birthYear ?? "1971");
  await field(page, "heightM").fill("1.75");
  await field(page, "bodyMass").fill("78");
  await page.getByRole("radio", { name: "right", exact: true }).check();
  if (over.uncovered) {
    await page.getByText(/Not in the list, what was done/).click();
    await page.getByLabel("not covered by the rules").selectOption({ label: over.uncovered });
  } else await page.getByLabel("condition", { exact: true }).selectOption({ label: "Knee osteoarthritis" });
  if (!over.uncovered) await page.getByLabel("which kind").selectOption({ index: 1 });
  // a condition of the list says it by itself
  if (over.uncovered) await page.locator("input[name=beganWith][value=onset]").check();
  await page.locator("input[name=swellingApplies][value=no]").check();
  await page.getByLabel("wrap or brace").selectOption({ label: "none" });
  await page.getByLabel(/^date of/).fill("2026-09-01");
  await field(page, "painNow").fill("2");
  await field(page, "painWorst").fill("4");
  await field(page, "painBest").fill("1");
  await page.getByRole("radio", { name: "only a lot" }).check();
  await page.getByRole("radio", { name: "within minutes" }).check();
  await page.getByLabel("in own words").fill("dance at the harbour fair");
  await field(page, "goal-hard-0").fill("6");
  await page.getByRole("button", { name: /Save and go/ }).click();
  await expect(page.getByRole("heading", { name: /Is it safe to load/ })).toBeVisible();
  await isAlive(page);
}

async function screenClear(page: Page): Promise<void> {
  const done = page.getByText("every question has an answer");
  for (let i = 0; i < 40 && (await done.count()) === 0; i++) await page.keyboard.press("n");
  await expect(done).toBeVisible();
  if ((await page.getByText(/A reading belongs here/).count()) > 0) {
    await field(page, "systolicMmHg").fill("124");
    await field(page, "diastolicMmHg").fill("78");
    await page.getByRole("button", { name: /Sign the answers/ }).click();
  } else await page.keyboard.press("s");
  await expect(page.getByRole("heading", { name: "Nothing stands in the way" })).toBeVisible();
}

async function writeLimit(
  page: Page,
  kind: string,
  fill: { low?: string; high?: string; word?: string },
): Promise<void> {
  await page.getByRole("button", { name: /^Write a limit/ }).click();
  const dialog = page.getByRole("dialog", { name: "Write a limit" });
  await dialog.getByLabel("what it bounds").selectOption({ label: kind });
  await dialog.getByRole("radio", { name: "mine" }).check();
  if (fill.low) await dialog.locator("input[name=low]").fill(fill.low);
  if (fill.high) await dialog.locator("input[name=high]").fill(fill.high);
  if (fill.word) await dialog.getByLabel("at most").selectOption({ label: fill.word });
  await dialog.getByLabel("because").fill("by examination");
  await dialog.getByRole("button", { name: "Save this limit" }).click();
  await expect(dialog).toBeHidden();
}

test("a condition outside the rules is said on every screen and bars the dose until limits are written by hand", async ({
  page,
}) => {
  await signIn(page, "therapist");
  await enter(page, "O. V.", { uncovered: "osteotomy" });
  await screenClear(page);
  const bar = page.getByText(/The rules do not cover osteotomy, so no limits are computed/).first();
  await expect(bar).toBeVisible();
  await page.getByRole("link", { name: /^Measure/ }).click();
  await isAlive(page);
  await expect(bar).toBeVisible();
  for (const force of ["310", "318"]) {
    await page.getByLabel("or force read off").fill(force);
    await page.getByRole("button", { name: "Add", exact: true }).click();
  }
  await page.getByRole("button", { name: /Save this test/ }).click();
  await expect(page.getByText(/Saved: right knee at 60°/)).toBeVisible();
  await page.getByRole("link", { name: /^Dose/ }).click();
  await expect(page.getByText("Nothing stands here yet.")).toBeVisible();
  await expect(bar).toBeVisible();
  await page
    .getByRole("link", { name: /^Limits/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { name: /What bounds the work/ })).toBeVisible();
  await isAlive(page);
  await writeLimit(page, "bend under load", { low: "30", high: "80" });
  await writeLimit(page, "effort of a hold", { high: "60" });
  await writeLimit(page, "weight bearing", { word: "as tolerated" });
  await writeLimit(page, "joint pain in it", { high: "2" });
  await expect(page.getByText(/only what surgeon and therapist wrote applies/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: /^Dose/ }).click();
  await expect(page.getByText("Nothing stands here yet.")).toBeVisible();
  await isAlive(page);
  await addExercise(page, "Isometric knee extension at a fixed angle on the machine");
  await page.getByRole("button", { name: /Save sheet/ }).click();
  await expect(page.getByText(/Saved as version 1/)).toBeVisible();
});

test("a story is changed, a colleague is told; the episode is closed and another begun", async ({
  page,
  browser,
}) => {
  await signIn(page, "therapist");
  await enter(page, "L. M.");
  await page.getByRole("link", { name: /^Story/ }).click();
  await expect(page.getByRole("heading", { name: /What is it about/ })).toBeVisible();
  await isAlive(page);
  const address = page.url();
  const other = await (await browser.newContext()).newPage();
  await signIn(other, "therapist");
  await other.goto(address);
  await isAlive(other);

  await field(page, "painNow").fill("3");
  await page.getByLabel("and also").selectOption({ label: "Non-specific low back pain" });
  await page.getByLabel(/began on \(empty/).fill("2026-10-01");
  await page.getByRole("button", { name: /Save the story/ }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(address.replace(/story$/, "limits"));
  for (const phase of ["Flare or irritable start", "Acute: keep moving"])
    await expect(page.getByText(`Not confirmed yet; what holds is: ${phase}`)).toBeVisible();
  await other.getByText(/Not in the list, what was done/).click();
  await other.getByLabel(/what was done/).fill("a walk on the dike each evening");
  await other.getByRole("button", { name: /Save the story/ }).click();
  await expect(other.getByText(/Ines Marlowick changed this story meanwhile/)).toBeVisible();
  await expect(other.getByLabel(/what was done/)).toHaveValue("a walk on the dike each evening");
  await other.getByRole("button", { name: /Save mine over theirs/ }).click();
  await expect(other.getByText(/meanwhile/)).toBeHidden();

  await page.goto(address);
  await isAlive(page);
  // folded, and said in its line
  await expect(page.getByText(/Not in the list, what was done/)).toContainText(
    "a walk on the dike each evening",
  );
  await expect(page.getByLabel(/what was done/)).toHaveValue("a walk on the dike each evening");
  await page.getByRole("button", { name: "close this episode" }).click();
  const dialog = page.getByRole("dialog", { name: "Close this episode?" });
  await dialog.getByRole("button", { name: "Close it" }).click();
  await expect(dialog.getByText("Say in a few words why it is closed.")).toBeVisible();
  await dialog.getByLabel("because").fill("moved to another town");
  await dialog.getByRole("button", { name: "Close it" }).click();
  await expect(page.getByRole("cell", { name: "moved to another town" })).toBeVisible();
  await page.goto("/caseload?show=closed");
  await expect(page.getByRole("link", { name: "L. M." })).toBeVisible();
  await page.getByRole("link", { name: "L. M." }).click();
  await page.getByRole("link", { name: "Begin a new episode" }).click();
  await expect(page.getByRole("heading", { name: "A new episode for L. M." })).toBeVisible();
  await expect(page.getByLabel("name or initials")).toHaveValue("L. M.");
});

test("a trainer reads the story, the answers and the limits, and changes none of them", async ({ page }) => {
  await workAs(page, "trainer");
  await openStep(page, "Jorun Salthe", "story");
  await expect(page.getByRole("link", { name: "run it on the floor" })).toBeVisible();
  await expect(page.getByRole("definition").filter({ hasText: "ACL reconstruction" })).toBeVisible();
  await expect(page.locator("main").locator("input, select, textarea")).toHaveCount(0);
  await expectFits(page);
  await expectAccessible(page);
  await expect(page.getByRole("button", { name: /Save the story/ })).toHaveCount(0);
  const id = await clientId(page, "Jorun Salthe");
  await page.goto(`/clients/${id}/limits`);
  await isAlive(page);
  await expect(page.getByRole("button", { name: /Write a limit/ })).toHaveCount(0);
  await expect(page.getByRole("button", { name: /^Confirm/ })).toHaveCount(0);
  await page.goto(`/clients/${id}/measure?part=motion`);
  await isAlive(page);
  await expect(page.getByRole("button", { name: /^Save/ })).toHaveCount(0);
  await page.goto("/clients/new");
  await expect(page.getByText(/Only a therapist enters or changes/)).toBeVisible();
});

test("what is typed and not saved survives a reload and is taken up or dropped; a day is picked by keys", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await openStep(page, "Dorrit Fenwake", "story");
  await page.getByLabel("works as").fill("tide clerk");
  const day = page.getByRole("textbox", { name: /^date of/ });
  const before = (await day.getAttribute("data-day")) ?? "";
  await page.locator("button[aria-label=Calendar]").first().click();
  const calendar = page.getByRole("dialog", { name: /^date of/ });
  await expect(calendar).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press("Escape");
  await expect(calendar).toBeHidden();
  await expect(page.locator("button[aria-label=Calendar]").first()).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(calendar.locator("button:focus")).toHaveCount(1);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(calendar).toBeHidden();
  const next = new Date(Date.parse(`${before}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10);
  await expect(day).toHaveAttribute("data-day", next);
  await day.fill("31.2.2026");
  await day.blur();
  await expect(page.getByText(/^Write the day like/)).toBeVisible();
  await day.fill(next);
  await page.reload();
  await isAlive(page);
  await expect(page.getByLabel("works as")).not.toHaveValue("tide clerk");
  await page.getByRole("button", { name: "Take them up" }).click();
  await expect(page.getByLabel("works as")).toHaveValue("tide clerk");
  await expect(day).toHaveAttribute("data-day", next);
  await page.getByRole("button", { name: /Save the story/ }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.reload();
  await isAlive(page);
  await expect(page.getByLabel("works as")).toHaveValue("tide clerk");
  await expect(page.getByRole("button", { name: "Take them up" })).toBeHidden();
});
