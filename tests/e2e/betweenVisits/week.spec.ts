import { expect, type Page, test } from "@playwright/test";
import { clientId, expectAccessible, expectFits, isAlive, openStep, signIn, workAs } from "../support/bexlo";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const verdict = (page: Page) => page.getByRole("complementary").getByRole("heading", { level: 2 }).first();
const chips = (page: Page, name: RegExp) => page.getByRole("button", { name });

test("the week is laid by the rules, moved by keys and by hand with the rules in sight, kept, and handed out as a file", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await openStep(page, "Idony Greaves", "week");
  await expect(verdict(page)).toContainText("Fits every rule");
  await expectFits(page);
  await expectAccessible(page);
  const gym = chips(page, /^Gym, /);
  const before = await gym.count();
  expect(before).toBeGreaterThan(4);

  await test.step("an arrow moves a day by one; it stays there, and the rest is laid around it", async () => {
    const cells = page.locator("td[data-day]", { has: gym });
    const days = await cells.evaluateAll((all) => all.map((c) => c.getAttribute("data-day") ?? ""));
    const from = days.find((day) => new Date(day).getUTCDay() === 1) ?? "";
    await page
      .locator(`td[data-day="${from}"]`)
      .getByRole("button", { name: /^Gym, / })
      .focus();
    // two days on: Monday to Wednesday, both days on which the client comes
    await page.keyboard.press("ArrowRight");
    await expect(verdict(page)).toContainText(/broken/);
    await expect(page.getByText(/is not free|does not come/).first()).toBeVisible();
    await expect(page.getByRole("button", { name: /^Keep these days/ })).toBeDisabled();
    const pinned = chips(page, /^Gym, .*put here by hand/);
    await expect(pinned).toHaveCount(1);
    await pinned.focus();
    await page.keyboard.press("ArrowRight");
    await expect(verdict(page)).toContainText("Fits every rule");
    const now = await page
      .locator("td", { has: chips(page, /^Gym, .*put here by hand/) })
      .getAttribute("data-day");
    expect(Date.parse(now ?? "") - Date.parse(from)).toBe(2 * 86_400_000);
    await chips(page, /^Gym, .*put here by hand/).focus();
    await page.keyboard.press("Delete");
    await expect(chips(page, /^Gym, .*put here by hand/)).toHaveCount(0);
  });

  await test.step("while a day is held over another one its rules are said, before it is let go", async () => {
    const chip = gym.nth(1);
    const home = await page.locator("td[data-day]", { has: gym }).nth(1).getAttribute("data-day");
    const box = await chip.boundingBox();
    const row = page.getByRole("row").nth(2);
    const sunday = await row.getByRole("cell").nth(6).boundingBox();
    if (!box || !sunday) throw new Error("nothing to drag");
    await page.mouse.move(box.x + 10, box.y + 6);
    await page.mouse.down();
    await page.mouse.move(sunday.x + 20, sunday.y + 30, { steps: 8 });
    await expect(verdict(page)).toContainText(/broken/);
    await page.mouse.move(box.x + 10, box.y + 6, { steps: 4 });
    // let go where the calendar shows it would land: back home, so nothing is put anywhere
    await expect(page.locator("td[data-over]")).toHaveAttribute("data-day", home ?? "");
    await page.mouse.up();
    await expect(verdict(page)).toContainText("Fits every rule");
    await expect(chips(page, /^Gym, .*put here by hand/)).toHaveCount(0);
  });

  await test.step("a wish that cannot be had is said with its rule", async () => {
    await page.getByLabel("Gym: days a week", { exact: true }).selectOption("5");
    await page.getByText(/wishes? left out, and why/).click();
    await expect(
      page.getByText(/of Gym left out: .*(48 h apart|comes|kneecap|hard repetitions)/).first(),
    ).toBeVisible();
    await page.getByLabel("Gym: days a week", { exact: true }).selectOption("2");
    await page.getByLabel("Gym: usual hour, 24 h").fill("09:30");
    await page.getByLabel("Gym: usual hour, 24 h").blur();
  });

  await test.step("a calendar file takes days away; one that is none says so", async () => {
    const input = page.getByLabel("Calendar file of the client");
    await input.setInputFiles({ name: "x.ics", mimeType: "text/calendar", buffer: Buffer.from("hello") });
    await expect(page.getByText(/This is not a calendar file/)).toBeVisible();
    const day = await page.locator("td[data-day]").nth(9).getAttribute("data-day");
    const compact = (iso: string) => iso.replaceAll("-", "");
    const next = new Date(Date.parse(day ?? "") + 86_400_000).toISOString().slice(0, 10);
    const event = `BEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;VALUE=DATE:${compact(day ?? "")}\r\nDTEND;VALUE=DATE:${compact(next)}\r\nEND:VEVENT`;
    await input.setInputFiles({
      name: "x.ics",
      mimeType: "text/calendar",
      buffer: Buffer.from(
        `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n${event}\r\nEND:VCALENDAR`,
      ),
    });
    await expect(page.locator(`td[data-day="${day}"]`)).toContainText("away");
  });

  await expect(verdict(page)).toContainText("Fits every rule");
  await expect(page.getByRole("button", { name: /^Keep these days/ })).toBeEnabled();
  await page.keyboard.press("s");
  await expect(page.getByText(/^Kept/)).toBeVisible();
  await page.reload();
  await isAlive(page);
  await expect(page.getByText(/^Kept by/)).toBeVisible();
  await expect(verdict(page)).toContainText("Fits every rule");
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Calendar file" }).click(),
  ]);
  expect(file.suggestedFilename()).toBe("exercises.ics");
});

test("a trainer asks from the floor's door and from the sheet; the therapist allows with one key, and it is read where one works", async ({
  page,
  browser,
}) => {
  const trainer = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(trainer, "trainer");
  // a trainer sees first whom they can run
  await expect(trainer.getByRole("main").getByRole("region").first()).toHaveAttribute(
    "aria-label",
    /On the floor now|Planned for today|Could be run today/,
  );
  const id = await clientId(trainer, "Maren Ostrelle");
  await trainer.goto(`/clients/${id}/dose`);
  await isAlive(trainer);
  await trainer.getByRole("button", { name: "Ask a therapist" }).click();
  const dialog = trainer.getByRole("dialog", { name: "Ask a therapist" });
  await expectAccessible(trainer);
  await dialog.getByRole("button", { name: "Ask", exact: true }).click();
  await expect(dialog.getByText("Choose what is asked for.")).toBeVisible();
  await dialog.getByLabel("more load than planned").check();
  await dialog.getByLabel("Why, in a few words").fill("three weeks without pain");
  await dialog.getByRole("button", { name: "Ask", exact: true }).click();
  await expect(trainer.getByText(/Asked for more load than planned: not answered yet/)).toBeVisible();

  await signIn(page, "therapist");
  const asked = page.getByRole("region", { name: "Asked by colleagues" });
  await expect(asked).toContainText("three weeks without pain");
  await expectAccessible(page);
  await asked.getByRole("button", { name: "Refuse Maren Ostrelle" }).click();
  await page.keyboard.type("not before the re-test");
  await page.keyboard.press("Enter");
  await expect(asked).toBeHidden();
  await trainer.reload();
  await expect(trainer.getByText(/refused by .*not before the re-test/)).toBeVisible();
});
