import { randomUUID } from "node:crypto";
import { expect, type Page, test } from "@playwright/test";
import { field, openStep, post, signIn } from "./bexlo";

test.describe("Measure", () => {
  test.beforeEach(async ({ page }) => {
    await signIn(page, "therapist");
    await openStep(page, "Tove Aldermoor", "measure");
  });

  for (const [name, text, sentence] of [
    ["kneeFlexionDeg", "", "Enter knee flexion as a number in degrees."],
    ["kneeFlexionDeg", "200", "Knee flexion must be between 0 and 130 degrees."],
    ["kneeFlexionDeg", "-5", "Knee flexion must be between 0 and 130 degrees."],
    ["kneeFlexionDeg", "NaN", "Enter knee flexion as a number in degrees."],
    ["leverArmM", "1700", "Lever arm must be between 0.1 and 0.6 m."],
    ["leverArmM", "abc", "Enter lever arm as a number in m."],
    ["pullAngleDeg", "1e9", "Pull angle must be between 45 and 135 degrees."],
  ] as const)
    test(`${name} "${text}" is refused at its field and nothing can be recorded`, async ({ page }) => {
      const input = field(page, name);
      await input.fill(text);
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(input).toHaveAttribute("aria-invalid", "true");
      await expect(page.getByRole("button", { name: /Record a push/ })).toBeDisabled();
      await expect(page.getByRole("button", { name: /Save this test/ })).toBeDisabled();
      await expect(input).toHaveValue(text);
    });

  for (const [text, sentence] of [
    ["0", "Force must be between 1 and 3000 N."],
    ["", "Enter force as a number in N."],
    ["1e9", "Force must be between 1 and 3000 N."],
  ] as const)
    test(`a typed force of "${text}" is refused`, async ({ page }) => {
      await page.getByLabel("or force read off").fill(text);
      await page.getByRole("button", { name: "Add", exact: true }).click();
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(page.getByText("Ready for the first trial")).toBeVisible();
    });

  for (const [name, body, sentence] of [
    ["picture.png", "\u0089PNG\r\n\u001a\n\u0000", /Line 1 is not a time and a force/],
    ["empty.csv", "", /holds no samples/],
    ["back.csv", Array.from({ length: 20 }, (_, i) => `${20 - i},100`).join("\n"), /Times must rise/],
  ] as const)
    test(`the strange file ${name} is refused`, async ({ page }) => {
      const file = { name, mimeType: "text/csv", buffer: Buffer.from(body) };
      await page.getByLabel("Load CSV").setInputFiles(file);
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(page.getByText("Ready for the first trial")).toBeVisible();
    });

  test("a trace that is not a push is shown and does not count", async ({ page }) => {
    const flat = Array.from({ length: 500 }, (_, i) => `${(i / 80).toFixed(4)},${(i % 2) * 0.4}`).join("\n");
    await page
      .getByLabel("Load CSV")
      .setInputFiles({ name: "flat.csv", mimeType: "text/csv", buffer: Buffer.from(flat) });
    await expect(page.getByText(/does not count: no push can be seen/)).toBeVisible();
    await expect(page.getByRole("button", { name: /Save this test/ })).toBeDisabled();
  });

  test("a body of 0 kg and 17 m gets a sentence at each field", async ({ page }) => {
    await field(page, "bodyMassKg").fill("0");
    await field(page, "heightM").fill("17");
    await page.getByRole("button", { name: "Save body" }).click();
    await expect(page.getByText("Body mass must be between 25 and 250 kg.")).toBeVisible();
    await expect(page.getByText("Height must be between 1.2 and 2.2 m.")).toBeVisible();
    await page.reload();
    await expect(field(page, "bodyMassKg")).toHaveValue("71");
  });

  test("once a force is taken, side and angle stay what they were", async ({ page }) => {
    await page.getByLabel("or force read off").fill("400");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await expect(field(page, "kneeFlexionDeg")).toBeDisabled();
    await expect(page.getByRole("radio", { name: "left" })).toBeDisabled();
    const slider = page.getByRole("slider", { name: "Test angle, knee flexion" });
    await slider.focus();
    await page.keyboard.press("ArrowRight");
    await expect(slider).toHaveAttribute("aria-valuenow", "60");
    await page.getByRole("button", { name: "take back", exact: true }).first().click();
    await expect(field(page, "kneeFlexionDeg")).toBeEnabled();
    await page.keyboard.press("u");
    await slider.focus();
    await page.keyboard.press("ArrowRight");
    await expect(field(page, "kneeFlexionDeg")).toHaveValue("65");
  });

  test("a saved trace loads again as the same trial", async ({ page }) => {
    await page.getByRole("button", { name: /Record a push/ }).click();
    await expect(page.getByRole("button", { name: "first", exact: true })).toBeVisible({ timeout: 15_000 });
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save CSV" }).click();
    const path = await (await download).path();
    await page.getByLabel("Load CSV").setInputFiles(path);
    await expect(page.getByText("Ready for the third trial")).toBeVisible();
    await expect(page.getByText(/mean of the two best, 0 % apart/)).toBeVisible();
  });
});

test("Dose: fields that make no sense say so and keep what was typed", async ({ page }) => {
  await signIn(page, "therapist");
  await openStep(page, "Tove Aldermoor", "dose");
  for (const [name, text, sentence] of [
    ["holdS", "0", "Hold must be between 3 and 120 seconds."],
    ["reps", "2.5", "Repetitions must be a whole number from 1 to 12."],
    ["restS", "-1", "Rest must be between 5 and 300 seconds."],
    ["felt", "17", "Felt effort must be between 2 and 9 out of 10."],
  ] as const) {
    const input = field(page, name);
    const before = await input.inputValue();
    await input.fill(text);
    await expect(page.getByText(sentence)).toBeVisible();
    await expect(page.getByRole("button", { name: /Save dose/ })).toBeDisabled();
    await expect(input).toHaveValue(text);
    await input.fill(before);
  }
  await page.getByRole("radio", { name: "% of maximum here" }).check();
  await field(page, "percent").fill("70");
  await expect(
    page.getByText(/of maximum a knee holds \d+ to \d+ s\. Hold \d+ is predicted to fail/),
  ).toBeVisible();
  await expect(page.getByText(/Was felt effort meant\?/)).toBeVisible();
});

test.describe("past the interface", () => {
  const goodTest = () => ({
    id: randomUUID(),
    movement: "knee_extension",
    jointAngleDeg: null,
    side: "right",
    kneeFlexionDeg: 60,
    leverArmM: 0.33,
    pullAngleDeg: 90,
    zeroedRelaxed: false,
    trials: [400, 410].map((forceN) => ({ id: randomUUID(), source: "typed", forceN })),
  });
  const refused = async (page: Page, path: string, body: unknown, sentence: RegExp, status = 422) => {
    const answer = await post(page, path, body);
    expect(answer.status).toBe(status);
    expect(answer.problems.map((p) => p.sentence).join(" ")).toMatch(sentence);
  };

  test("each route answers bad input with a sentence, never with 500, and writes nothing", async ({
    page,
  }) => {
    await signIn(page, "therapist");
    const id = await openStep(page, "Tove Aldermoor", "measure");
    const count = () => page.getByRole("complementary").getByRole("row").count();
    const before = await count();
    const tests = `/api/clients/${id}/tests`;
    await refused(page, tests, "not json", /not JSON/);
    await refused(page, tests, {}, /Choose the left or the right side/);
    await refused(page, tests, { ...goodTest(), kneeFlexionDeg: 200 }, /between 0 and 130/);
    await refused(page, tests, { ...goodTest(), leverArmM: 17 }, /between 0.1 and 0.6/);
    await refused(page, tests, { ...goodTest(), kneeFlexionDeg: "NaN" }, /as a number/);
    await refused(page, tests, { ...goodTest(), trials: [] }, /at least two/);
    await refused(page, tests, { ...goodTest(), id: "1; drop table client" }, /identifier/);
    await refused(
      page,
      `/api/clients/${id}/body`,
      { bodyMassKg: 0, heightM: 17, shankLengthM: -1 },
      /25 and 250.*1.2 and 2.2.*0.2 and 0.6/,
    );
    await refused(page, `/api/clients/${id}/plans`, { id: randomUUID(), baseVersion: -1, plan: {} }, /./);
    await refused(page, `/api/clients/${id}/mornings`, { id: randomUUID(), pain: 11 }, /0 to 10/);
    await refused(
      page,
      `/api/clients/${id}/decisions`,
      {
        id: randomUUID(),
        sessionId: randomUUID(),
        action: "HOLD",
        computedAction: "PROGRESS",
        overrideReason: null,
      },
      /needs a reason/,
    );
    await refused(page, `/api/clients/not-a-client/tests`, goodTest(), /no such record/, 404);
    await refused(page, `/api/sessions/${randomUUID()}/holds`, { id: randomUUID() }, /./);
    await refused(
      page,
      `/api/sessions/nonsense/end`,
      { endedAt: new Date().toISOString(), painAtStart: 1, painAtEnd: 1, feltEffort: 5, stopped: null },
      /./,
      404,
    );
    // a correction of a hold that nobody logged: the database refuses, and that is a sentence too
    const correction = {
      id: randomUUID(),
      seq: 1,
      corrects: randomUUID(),
      voided: true,
      startedAt: new Date().toISOString(),
      heldS: 3,
      painBefore: 1,
      painAfter: 1,
      early: null,
      meanForceN: null,
    };
    await refused(page, `/api/sessions/${randomUUID()}/holds`, correction, /not known/, 404);
    await page.reload();
    expect(await count()).toBe(before);
  });

  test("the load cell's door refuses strange questions", async ({ page }) => {
    await signIn(page, "therapist");
    const status = (query: string) =>
      page.evaluate(async (q) => (await fetch(`/api/devices/load-cell/stream?${q}`)).status, query);
    expect(await status("")).toBe(422);
    expect(await status(`client=${randomUUID()}&side=right&angle=60&lever=0.3`)).toBe(404);
    expect(await status("client=x&side=middle&angle=400&lever=17")).toBe(422);
  });
});
