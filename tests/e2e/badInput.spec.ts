import { randomUUID } from "node:crypto";
import { expect, type Page, test } from "@playwright/test";
import { field, isAlive, lineEditor, openStep, post, sheetLines, signIn, workAs } from "./support/bexlo";
import { putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

test("a body of 0 kg and 17 m with a shank of 4 cm gets a sentence at each field of the story", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await openStep(page, "Tove Aldermoor", "story");
  await field(page, "bodyMass").fill("0");
  await field(page, "heightM").fill("17");
  await field(page, "shankCm").fill("4");
  await page.getByRole("button", { name: "Save the story" }).click();
  await expect(page.getByText("Body mass must be between 25 and 250 kg.")).toBeVisible();
  await expect(page.getByText("Height must be between 1.2 and 2.2 m.")).toBeVisible();
  await expect(page.getByText("Shank length must be between 0.2 and 0.6 m.")).toBeVisible();
  await page.reload();
  await isAlive(page);
  await expect(field(page, "bodyMass")).toHaveValue("71");
});

test.describe("Measure", () => {
  test.beforeEach(async ({ page }) => {
    await workAs(page, "therapist");
    await openStep(page, "Tove Aldermoor", "measure");
  });

  test("a number that cannot be is refused at its field, and nothing can be recorded", async ({ page }) => {
    for (const [name, text, sentence] of [
      ["kneeFlexionDeg", "", "Enter knee flexion as a number in degrees."],
      ["kneeFlexionDeg", "200", "Knee flexion must be between 0 and 130 degrees."],
      ["kneeFlexionDeg", "-5", "Knee flexion must be between 0 and 130 degrees."],
      ["kneeFlexionDeg", "NaN", "Enter knee flexion as a number in degrees."],
      ["leverArmM", "1700", "Lever arm must be between 0.1 and 0.6 m."],
      ["leverArmM", "abc", "Enter lever arm as a number in m."],
      ["pullAngleDeg", "1e9", "Pull angle must be between 45 and 135 degrees."],
    ] as const) {
      const input = field(page, name);
      const fits = await input.inputValue();
      await input.fill(text);
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(input).toHaveAttribute("aria-invalid", "true");
      await expect(page.getByRole("button", { name: /Record a push/ })).toBeDisabled();
      await expect(page.getByRole("button", { name: /Save this test/ })).toBeDisabled();
      await expect(input).toHaveValue(text);
      await input.fill(fits);
      await expect(page.getByText(sentence)).toBeHidden();
    }
  });

  test("a typed force that cannot be is refused", async ({ page }) => {
    for (const [text, sentence] of [
      ["0", "Force must be between 1 and 3000 N."],
      ["", "Enter force as a number in N."],
      ["1e9", "Force must be between 1 and 3000 N."],
    ] as const) {
      await page.getByLabel("or force read off").fill(text);
      await page.getByRole("button", { name: "Add", exact: true }).click();
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(page.getByText("Ready for the first trial")).toBeVisible();
    }
  });

  test("a strange file is refused", async ({ page }) => {
    for (const [name, body, sentence] of [
      ["picture.png", "\u0089PNG\r\n\u001a\n\u0000", /Line 1 is not a time and a force/],
      ["empty.csv", "", /holds no samples/],
      ["back.csv", Array.from({ length: 20 }, (_, i) => `${20 - i},100`).join("\n"), /times must rise/],
    ] as const) {
      const file = { name, mimeType: "text/csv", buffer: Buffer.from(body) };
      await page.getByLabel("Load CSV").setInputFiles(file);
      await expect(page.getByText(sentence)).toBeVisible();
      await expect(page.getByText("Ready for the first trial")).toBeVisible();
    }
  });

  test("a trace that is not a push is shown and does not count", async ({ page }) => {
    const flat = Array.from({ length: 500 }, (_, i) => `${(i / 80).toFixed(4)},${(i % 2) * 0.4}`).join("\n");
    await page
      .getByLabel("Load CSV")
      .setInputFiles({ name: "flat.csv", mimeType: "text/csv", buffer: Buffer.from(flat) });
    await expect(page.getByText(/does not count: no push can be seen/)).toBeVisible();
    await expect(page.getByRole("button", { name: /Save this test/ })).toBeDisabled();
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
    await expect(page.getByRole("button", { name: "first", exact: true })).toBeVisible();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save CSV" }).click();
    const path = await (await download).path();
    await page.getByLabel("Load CSV").setInputFiles(path);
    await expect(page.getByText(/then the third trial/)).toBeVisible();
    await expect(page.getByText(/mean of the two best, 0 % apart/)).toBeVisible();
  });
});

test("Dose: numbers that make no sense say so, stay in their field and are not taken over", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await openStep(page, "Tove Aldermoor", "dose");
  const line = sheetLines(page).first();
  const before = (await line.getAttribute("aria-label")) ?? "";
  for (const [name, text, sentence] of [
    ["holdS", "0", /A hold must be between 3 and 60 seconds/],
    ["reps", "2.5", /whole number/],
    ["restS", "-1", /Rest must be between/],
    ["felt", "17", /Felt effort must be between 2 and 9/],
    ["atDeg", "400", /./],
  ] as const) {
    const input = field(page, name);
    await input.fill(text);
    await expect(input).toHaveAttribute("aria-invalid", "true");
    await expect(lineEditor(page).getByRole("status").filter({ hasText: sentence }).first()).toBeVisible();
    await expect(input).toHaveValue(text);
    await expect(line).toHaveAttribute("aria-label", before);
  }
  await lineEditor(page).getByLabel("effort").selectOption("percent");
  await field(page, "percent").fill("80");
  await expect(page.getByText(/predicted to fail after|nobody is expected to hold/).first()).toBeVisible();
  await expect(page.getByText(/Was felt effort meant\?/)).toBeVisible();
  await expect(page.getByRole("button", { name: /Save sheet/ })).toBeDisabled();
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
    await workAs(page, "therapist");
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
    const line = {
      exerciseId: "kext_iso_machine",
      legs: "one",
      window: null,
      sharesRests: false,
      scheme: { kind: "holds", sets: 1, reps: 0, holdS: 900, restS: 5, setRestS: 0, effort: {}, atDeg: 60 },
    };
    const sheet = { id: randomUUID(), sheetId: randomUUID(), name: "X", place: "gym", baseVersion: 0 };
    await refused(page, `/api/clients/${id}/sheets`, { ...sheet, items: [line] }, /./);
    await refused(page, `/api/clients/${id}/sheets`, { ...sheet, baseVersion: -1, items: [] }, /./);
    await refused(page, `/api/clients/${id}/mornings`, { id: randomUUID(), pain: 11 }, /0 to 10/);
    await refused(
      page,
      `/api/clients/${id}/decisions`,
      {
        visitId: randomUUID(),
        lines: [
          {
            id: randomUUID(),
            lineId: randomUUID(),
            action: "HOLD",
            computedAction: "PROGRESS",
            overrideReason: null,
          },
        ],
      },
      /needs a reason/,
    );
    await refused(page, `/api/clients/not-a-client/tests`, goodTest(), /no such record/, 404);
    const rated = { type: "rate", pain: 11, reps: -1, reserve: 4, felt: null, recordId: "no", at: 1 };
    await refused(page, `/api/visits/${randomUUID()}/events`, { seq: 1, entry: rated }, /./);
    const undo = { seq: 1, entry: { type: "undo", at: Date.now() } };
    await refused(page, `/api/visits/nonsense/events`, undo, /./, 404);
    await refused(page, `/api/visits/${randomUUID()}/events`, undo, /not known/, 404);
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

test("a file of more than 10 MB comes in pieces, goes on after a break, and is whole at the end", async ({
  page,
}) => {
  await workAs(page, "admin");
  await page.goto("/files");
  const content = { format: "bexlo-machines", version: 1, made_at: new Date().toISOString(), machines: [] };
  // spaces at the end are no part of what JSON says
  const buffer = Buffer.from(`${JSON.stringify(content)}${" ".repeat(12_000_000)}`);
  const choose = async () => {
    const file = { name: "many-machines.json", mimeType: "application/json", buffer };
    await page.getByLabel("File").setInputFiles(file);
  };
  const sent: string[] = [];
  // the line breaks after the first piece, and stays away
  await page.route("**/pieces?from=*", (route) => {
    sent.push(new URL(route.request().url()).searchParams.get("from") ?? "");
    return sent.length > 1 ? route.abort() : route.continue();
  });
  await choose();
  await page.getByRole("button", { name: "Look through it" }).click();
  await expect(page.getByText(/What has arrived is kept: go on when it is back/)).toBeVisible();
  await expect(page.getByRole("progressbar", { name: "Sent" })).toBeVisible();
  await page.unroute("**/pieces?from=*");
  // somebody came back to it later
  await page.reload();
  await expect(page.getByText("on its way: choose it again to go on")).toBeVisible();
  const again: string[] = [];
  page.on("request", (r) => {
    const from = new URL(r.url()).searchParams.get("from");
    if (from !== null) again.push(from);
  });
  await choose();
  await expect(page.getByText(/% of this file arrived before/)).toBeVisible();
  await page.getByRole("button", { name: "Go on" }).click();
  await expect(page.getByText("A draft: nothing of it counts yet.")).toBeVisible();
  await expect(page.getByText(/damaged|no JSON|cut off/i)).toHaveCount(0);
  expect(again).toEqual(["4194304", "8388608"]);
});
