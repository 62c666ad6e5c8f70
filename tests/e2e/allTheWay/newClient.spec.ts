import { expect, test } from "@playwright/test";
import { expectAccessible, expectFits, field, isAlive, signIn } from "../support/bexlo";
import { check, pickBy, press, tabTo, typeDay, typeInto } from "../support/keyboard";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const daysAgo = (n: number) =>
  new Date(Date.now() - n * 86_400_000).toLocaleDateString("en-CA", { timeZone: "Europe/Amsterdam" });

test("a whole new client with a knee replacement is entered from the keyboard alone", async ({ page }) => {
  await signIn(page, "therapist");
  await press(page, page.getByRole("link", { name: "New client" }));
  await expect(page.getByRole("heading", { name: /A new client/ })).toBeVisible();
  await isAlive(page);

  await test.step("Story: what is missing is said at its field, and nothing is lost", async () => {
    await typeInto(page, page.getByLabel("name or initials"), "A. T.");
    await page.keyboard.press("Enter");
    await expect(page.getByText("Enter the birth year, for example 1961.")).toBeVisible();
    await expect(
      page.getByText("Choose a condition, or say which one the rules do not cover."),
    ).toBeVisible();
    await expect(page.getByLabel("name or initials")).toHaveValue("A. T.");
    await expectFits(page);
    await expectAccessible(page);
    await typeInto(page, page.getByLabel("works as"), "lamp lighter");
    await typeInto(page, field(page, "birthYear"), "1956");
    await typeInto(page, field(page, "heightM"), "168");
    await typeInto(page, field(page, "bodyMass"), "81,5");
    await check(page, page.getByRole("radio", { name: "women" }));
    await check(page, page.getByRole("checkbox", { name: "Tue" }));
    await check(page, page.getByRole("radio", { name: "left" }));
    // nothing clinical is chosen for anybody; that a replaced knee began with surgery nobody has to say
    await expect(page.getByRole("radio", { name: "surgery" })).not.toBeChecked();
    await pickBy(page, page.getByLabel("condition", { exact: true }), "Total knee");
    await expect(page.getByRole("radio", { name: "surgery" })).toHaveCount(0);
    await pickBy(page, page.getByLabel("which kind"), "Standard");
    await typeDay(page, page.getByLabel("date of surgery"), daysAgo(17));
    await press(page, page.getByText(/Not in the list, what was done/));
    await typeInto(page, page.getByLabel(/what was done/), "cemented, kneecap resurfaced");
    await typeInto(
      page,
      page.getByLabel(/what the surgeon wrote/),
      "bend to 80 under load until the first visit",
    );
    await check(page, page.getByRole("radio", { name: "yes, watch it" }));
    await pickBy(page, page.getByLabel("swelling now"), "2+");
    await tabTo(
      page,
      page
        .getByRole("checkbox", { name: "low back" })
        .or(page.getByRole("checkbox", { name: "above the kneecap" }))
        .first(),
    );
    for (
      let i = 0;
      i < 15 &&
      !(await page
        .getByRole("checkbox", { name: "around the kneecap" })
        .evaluate((el) => el === document.activeElement));
      i++
    )
      await page.keyboard.press("ArrowRight");
    await page.keyboard.press(" ");
    await expect(page.getByRole("checkbox", { name: "around the kneecap" })).toBeChecked();
    await typeInto(page, field(page, "painNow"), "3");
    await typeInto(page, field(page, "painWorst"), "6");
    await typeInto(page, field(page, "painBest"), "1");
    await check(page, page.getByRole("radio", { name: "a usual day's work" }));
    await check(page, page.getByRole("radio", { name: "by the evening" }));
    await pickBy(page, page.getByLabel("it must"), "Rise from");
    await typeInto(page, field(page, "goal-hard-0"), "8");
    await pickBy(page, page.getByLabel("wrap or brace"), "none");
    await press(page, page.getByRole("button", { name: /Save and go/ }));
    await expect(page.getByRole("heading", { name: /Is it safe to load/ })).toBeVisible();
    await isAlive(page);
  });
  // typed by a machine with no pause to think; a person has two minutes

  await test.step("Screen: one unsure answer holds everything until it is cleared", async () => {
    await expect(page.getByRole("heading", { name: "Nothing may start yet" })).toBeVisible();
    const swollen = page.locator("[data-question=rf_swelling]");
    await check(page, swollen.getByRole("radio", { name: "unsure" }));
    await expect(swollen).toContainText("ask the physician");
    // one key a question moves on; holding it does nothing more
    for (let i = 0; i < 20; i++) await page.keyboard.press("k");
    for (let i = 0; i < 40 && (await page.getByText("every question has an answer").count()) === 0; i++) {
      const current = page.locator("[aria-current=step]");
      await page.keyboard.press(
        (await current.getByRole("radio", { checked: true }).count()) > 0 ? "j" : "n",
      );
    }
    await expect(page.getByText("every question has an answer")).toBeVisible();
    // at seventy a reading belongs to it: without one nothing is signed and the focus goes there
    await page.keyboard.press("s");
    await expect(page.getByText(/Blood pressure is asked for here, because of the age/)).toBeVisible();
    await typeInto(page, field(page, "systolicMmHg"), "128");
    await typeInto(page, field(page, "diastolicMmHg"), "76");
    await press(page, page.getByRole("button", { name: /Sign the answers/ }));
    await expect(
      page.getByRole("heading", { name: /No loading until the physician has answered/ }),
    ).toBeVisible();
    await expect(page.getByRole("navigation", { name: "Path of the work" })).toContainText(
      "ask the physician",
    );
    await check(page, page.getByRole("radio", { name: "a physician" }));
    await typeInto(
      page,
      page.getByLabel("who said what, and when"),
      "ward physician today: usual for week three",
    );
    await press(page, page.getByRole("button", { name: "Clear this sign" }));
    await expect(page.getByRole("heading", { name: "Nothing stands in the way" })).toBeVisible();
  });

  await test.step("Limits: the surgeon's bound beside the phase's, the tightest in bold", async () => {
    await press(page, page.getByRole("link", { name: /^Limits/ }));
    await expect(page.getByText(/Not confirmed yet; what holds is: Wake up and get straight/)).toBeVisible();
    await isAlive(page);
    await press(page, page.getByRole("button", { name: /Confirm “wake up and get straight”/ }));
    await expect(page.getByText(/Confirmed: Wake up and get straight/)).toBeVisible();
    await page.keyboard.press("w");
    const dialog = page.getByRole("dialog", { name: "Write a limit" });
    await check(page, dialog.getByRole("radio", { name: "the surgeon's" }));
    await typeInto(page, dialog.locator("input[name=high]"), "80");
    await typeInto(page, dialog.getByLabel("because"), "first visit not yet held");
    await page.keyboard.press("Enter");
    const row = page.getByRole("row", { name: /first visit not yet held/ });
    await expect(row.locator("b")).toHaveText(["≤", "80°"]);
    await expect(row).toContainText("the surgeon, in writing");
    await expect(page.locator("header")).toContainText("80° surgeon");
  });

  await test.step("Measure: both knees at sixty degrees, by force read off", async () => {
    await press(page, page.getByRole("link", { name: /^Measure/ }));
    await expect(page.getByRole("heading", { name: /How strong is this knee/ })).toBeVisible();
    await isAlive(page);
    for (const [side, forces] of [
      ["left", ["118", "121"]],
      ["right", ["262", "270"]],
    ] as const) {
      await check(page, page.getByRole("radio", { name: side, exact: true }));
      for (const force of forces) {
        await tabTo(page, page.getByLabel("or force read off"));
        await page.keyboard.type(force);
        await page.keyboard.press("Enter");
      }
      await press(page, page.getByRole("button", { name: /Save this test/ }));
      await expect(page.getByText(new RegExp(`Saved: ${side} knee at 60°, \\d+ N·m`))).toBeVisible();
    }
    await expect(page.getByText("clearly below 90 %")).toBeVisible();
    await press(page, page.getByRole("link", { name: /^Motion/ }));
    await expect(page.getByRole("heading", { name: /How far does it move/ })).toBeVisible();
    await isAlive(page);
    await typeInto(page, page.getByLabel("knee bend, left", { exact: true }), "84");
    await press(page, page.getByRole("button", { name: "Read knee straightening, left from the sensor" }));
    await expect(page.getByLabel("knee straightening, left", { exact: true })).toHaveValue(/^-?\d+$/);
    await press(page, page.getByRole("button", { name: /Save what was measured/ }));
    await expect(page.getByText("2 saved.")).toBeVisible();
    await expect(page.getByRole("row", { name: /knee bend, left passive.*84°/ })).toBeVisible();
  });

  await test.step("the record tells who did all this", async () => {
    await press(page, page.getByRole("link", { name: "Record of changes" }));
    for (const deed of [
      "entered the client",
      "asked the warning signs",
      "cleared a warning sign",
      "wrote a limit",
    ])
      await expect(page.getByRole("cell", { name: deed })).toBeVisible();
    await press(page, page.getByRole("row", { name: /cleared a warning sign/ }).locator("summary"));
    await expect(page.getByText("ward physician today: usual for week three")).toBeVisible();
  });
});
