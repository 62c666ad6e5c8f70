import { randomUUID } from "node:crypto";
import { screeningInput } from "@/core/screening/screeningInput";
import { limitsOf } from "@/server/bounds/limits";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import {
  clearSign,
  questionsOf,
  recordScreening,
  screeningStateOf,
  screeningsOf,
} from "@/server/client/screenings";
import { answerRecheck, recheckAsk } from "@/server/decide/rechecks";
import { recordTest } from "@/server/measure/measurements";
import { floorBarred } from "@/server/visits/floor";
import { startVisit } from "@/server/visits/running";
import {
  closeConnections,
  currentSheet,
  daysLater,
  hold,
  holdWith,
  makeClient,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  type SaveOptions,
  saveLines,
  screenClear,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const save = (client: ClientEpisode, items = [hold()], o: SaveOptions = {}, at?: Date) =>
  clinic.as("therapist", (ctx) => saveLines(ctx, client, items, o), at);

test("nobody plans or runs for a client whom nobody has screened", async () => {
  const client = await makeClient(clinic, { isScreened: false });
  const test = () => clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  await expect(test()).rejects.toThrow(/Nobody has asked the warning signs yet/);
  await expect(save(client)).rejects.toThrow(/Nobody has asked the warning signs yet/);
  expect(await owner`select 1 from sheet where episode_id = ${client.episodeId}`).toHaveLength(0);
  await screenClear(clinic, client.clientId);
  await test();
  await save(client);
});

test("a positive answer bars planning and the floor; a later no does not clear it, a therapist with a reason does", async () => {
  const { client, sheet } = await plannedClient(clinic);
  await screenClear(clinic, client.clientId, daysLater(1), { rf_locking: "unsure" });
  await screenClear(clinic, client.clientId, daysLater(2));
  const bar = /Ask the physician same day if stuck now, otherwise within 3 days/;
  await expect(
    save(client, [hold()], { sheetId: sheet.sheetId, baseVersion: 1 }, daysLater(2)),
  ).rejects.toThrow(bar);
  const barred = await clinic.as("trainer", (ctx) => floorBarred(ctx, client, sheet), daysLater(2));
  expect(barred).toMatch(bar);
  // past the interface: the route's function itself refuses
  const recheckId = randomUUID();
  await clinic.as(
    "trainer",
    (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
    daysLater(2),
  );
  await expect(
    clinic.as(
      "trainer",
      (ctx) =>
        startVisit(ctx, client, {
          id: randomUUID(),
          versionId: sheet.id,
          recheckId,
          startedAt: daysLater(2).toISOString(),
        }),
      daysLater(2),
    ),
  ).rejects.toThrow(bar);
  const clearance = {
    id: randomUUID(),
    questionId: "rf_locking",
    onWordOf: "physician" as const,
    words: "seen on Monday: a plica, no loose body",
  };
  for (const role of ["trainer", "admin"] as const)
    await expect(clinic.as(role, (ctx) => clearSign(ctx, client, clearance))).rejects.toThrow(
      /Only a therapist clears/,
    );
  await clinic.as("therapist", (ctx) => clearSign(ctx, client, clearance), daysLater(2));
  await expect(
    clinic.as("therapist", (ctx) => clearSign(ctx, client, { ...clearance, id: randomUUID() }), daysLater(2)),
  ).rejects.toThrow(/no such warning sign/);
  await save(client, [hold()], { sheetId: sheet.sheetId, baseVersion: 1 }, daysLater(2));
});

test("a screening with a question left open, or an answer nobody asked for, writes nothing", async () => {
  const client = await makeClient(clinic, { isScreened: false });
  const asked = await clinic.as("therapist", (ctx) => questionsOf(ctx, client));
  const answers = asked.map((q) => ({
    questionId: q.id,
    answer: "no" as const,
    escalations: [] as string[],
    askedAs: "one" as const,
  }));
  const send = (list: typeof answers) =>
    clinic.as("therapist", (ctx) =>
      recordScreening(ctx, client, {
        id: randomUUID(),
        answers: list,
        systolicMmHg: null,
        diastolicMmHg: null,
      }),
    );
  await expect(send(answers.slice(1))).rejects.toThrow(/Some questions have no answer/);
  const [first, ...rest] = answers;
  if (!first) throw new Error("no questions");
  await expect(send([{ ...first, escalations: ["made up"] }, ...rest])).rejects.toThrow(/no such addition/);
  expect(await owner`select 1 from screening where episode_id = ${client.episodeId}`).toHaveLength(0);
  await expect(
    clinic.as("trainer", (ctx) =>
      recordScreening(ctx, client, { id: randomUUID(), answers, systolicMmHg: null, diastolicMmHg: null }),
    ),
  ).rejects.toThrow(/Only a therapist asks the whole screening/);
});

test("where age, condition or answers call for it, blood pressure is read or it is said why not; how it was asked is kept", async () => {
  const client = await makeClient(clinic, {
    isScreened: false,
    rules: [{ conditionId: "knee_oa", variantId: "moderate", phaseId: "build", beganOn: "2025-10-01" }],
  });
  const asked = await clinic.as("therapist", (ctx) => questionsOf(ctx, client));
  const answers = asked.map((q, i) => ({
    questionId: q.id,
    answer: "no" as const,
    escalations: [],
    askedAs: i < 2 ? ("group" as const) : ("one" as const),
  }));
  const record = (over: Partial<Parameters<typeof recordScreening>[2]>) =>
    clinic.as("therapist", (ctx) =>
      recordScreening(ctx, client, {
        id: randomUUID(),
        answers,
        systolicMmHg: null,
        diastolicMmHg: null,
        ...over,
      }),
    );
  await expect(record({})).rejects.toThrow(/Blood pressure is asked for here, because of the condition/);
  expect(await owner`select 1 from screening where episode_id = ${client.episodeId}`).toHaveLength(0);
  await record({ pressureNotTaken: "the cuff is at the other practice" });
  const [kept] = await clinic.as("therapist", (ctx) => screeningsOf(ctx, client.episodeId));
  expect(kept?.pressureNotTaken).toMatch(/cuff/);
  expect(kept?.answers.filter((a) => a.askedAs === "group")).toHaveLength(2);
  // only a no is answered for a whole group
  const yes = answers.map((a, i) => (i === 0 ? { ...a, answer: "yes" as const } : a));
  expect(
    screeningInput.safeParse({ id: randomUUID(), answers: yes, systolicMmHg: 120, diastolicMmHg: 70 })
      .success,
  ).toBe(false);
});

test("a high reading counts as yes whatever was answered, and caps every hold", async () => {
  const client = await makeClient(clinic, { isScreened: false });
  const asked = await clinic.as("therapist", (ctx) => questionsOf(ctx, client));
  await clinic.as("therapist", (ctx) =>
    recordScreening(ctx, client, {
      id: randomUUID(),
      answers: asked.map((q) => ({
        questionId: q.id,
        answer: "no" as const,
        escalations: [],
        askedAs: "one" as const,
      })),
      systolicMmHg: 148,
      diastolicMmHg: 84,
    }),
  );
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  const state = await clinic.as("therapist", (ctx) => screeningStateOf(ctx, client));
  expect(state).toMatchObject({ status: "caution", standing: [{ flag: { id: "rf_bp" } }] });
  const limits = await clinic.as("therapist", (ctx) => limitsOf(ctx, client));
  expect(limits.filter((l) => l.origin === "warning_sign").map((l) => [l.kind, l.high])).toEqual(
    expect.arrayContaining([
      ["hold_effort", 40],
      ["hold_seconds", 10],
      ["felt_effort", 6],
    ]),
  );
  await expect(save(client)).rejects.toThrow(/holds may last 10 s at most, because warning sign/);
  const short = [holdWith({ effort: { kind: "felt", felt: 3 }, holdS: 10 })];
  await save(client, short);
});

test("an old screening bars a new plan but not the one that runs; a gap of over four weeks bars the floor too", async () => {
  const { client, sheet } = await plannedClient(clinic);
  await runVisit(clinic, client, { at: daysLater(77) });
  await owner`
    insert into decision (id, clinic_id, visit_id, input, computed_action, rules, reasons, changes, action, banks, sentence,
      decided_at, decided_by)
    select ${randomUUID()}, ${clinic.id}, id, '{}', 'HOLD', '{}', '{}', '[]', 'HOLD', false, 'stay', ${daysLater(78)},
      ${clinic.actors.therapist.personId} from visit where episode_id = ${client.episodeId}`;
  const barredOn = (days: number) =>
    clinic.as(
      "trainer",
      async (ctx) => floorBarred(ctx, client, await currentSheet(clinic, client)),
      daysLater(days),
    );
  expect(await barredOn(86)).toBeNull();
  await expect(
    save(client, [hold()], { sheetId: sheet.sheetId, baseVersion: sheet.version }, daysLater(86)),
  ).rejects.toThrow(/due again, because it is 86 days old/);
  expect(await barredOn(107)).toMatch(/due again, because the last session was 30 days ago/);
});

test("the short list knows that it is the first, and that everything was asked within two hours", async () => {
  const { client } = await plannedClient(clinic);
  const ask = (at: Date) => clinic.as("trainer", (ctx) => recheckAsk(ctx, client), at);
  const after = (minutes: number) => new Date(daysLater(0).getTime() + minutes * 60_000);
  expect(await ask(after(10))).toMatchObject({ isFirst: true, screenedAt: daysLater(0) });
  expect(await ask(after(119))).toMatchObject({ screenedAt: daysLater(0) });
  expect(await ask(after(121))).toMatchObject({ isFirst: true, screenedAt: null });
  // a clock that was behind when it was asked does not make it lately
  expect(await ask(after(-30))).toMatchObject({ screenedAt: null });
  await runVisit(clinic, client);
  expect(await ask(daysLater(2))).toMatchObject({ isFirst: false, screenedAt: null });
  // the wound is asked for twelve weeks after surgery, and of nobody else
  expect((await ask(after(10))).signs.join()).not.toMatch(/wound/);
  await owner`update episode set began_with = 'surgery', began_on = '2026-02-02' where id = ${client.episodeId}`;
  const operated = await clinic.as("trainer", (ctx) => clientEpisode(ctx, client.clientId));
  const asked = await clinic.as("trainer", (ctx) => recheckAsk(ctx, operated));
  expect(asked.signs.join()).toMatch(/wound/);
});
