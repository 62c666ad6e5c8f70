import { randomUUID } from "node:crypto";
import { limbGravityTorqueNm } from "@/core/body/limbGravity";
import { bodyFrom } from "@/core/body/segments";
import { type MeasurementInput, plainMeasurement } from "@/core/measure/measurementInput";
import { changeStory } from "@/server/client/story";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { recordTest, testsOf, trialTrace, voidTest } from "@/server/measure/measurements";
import { measurementsOf, recordMeasurement, voidMeasurement } from "@/server/measure/otherMeasurements";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  owner,
  pushTrace,
  screenClear,
  type TestClinic,
  testInput,
} from "../support/clinic";
import { EPISODE, newClient } from "../support/story";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const stored = async (testId: string) => owner`select * from strength_test where id = ${testId}`;

test("a test of traces is stored with the torque computed here: force x lever + the limb's weight", async () => {
  const client = await makeClient(clinic);
  const input = testInput({
    trials: [1, 2, 3].map((seed) => ({
      id: randomUUID(),
      source: "load_cell" as const,
      trace: pushTrace(300, seed),
    })),
  });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  const [test] = await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId));
  const expected = 300 * 0.33 + limbGravityTorqueNm(bodyFrom(70, 1.7), 60);
  expect(Math.abs((test?.torqueNm ?? 0) - expected)).toBeLessThan(0.02 * expected);
  expect(test).toMatchObject({ side: "right", kneeFlexionDeg: 60, takenOn: "2026-03-02", isReliable: true });
  expect(test?.trials).toHaveLength(3);
});

test("the stored trace is the sent trace, in single precision", async () => {
  const client = await makeClient(clinic);
  const trace = pushTrace(250);
  const trial = { id: randomUUID(), source: "file" as const, trace };
  const input = testInput({ trials: [trial, { id: randomUUID(), source: "typed", forceN: 250 }] });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  const back = await clinic.as("trainer", (ctx) => trialTrace(ctx, trial.id));
  expect(back.timeS).toHaveLength(trace.timeS.length);
  back.forceN.forEach((f, i) => {
    expect(f).toBeCloseTo(trace.forceN[i] as number, 3);
  });
  const typed = input.trials[1]?.id ?? "";
  await expect(clinic.as("trainer", (ctx) => trialTrace(ctx, typed))).rejects.toThrow(/no trace/);
});

test("joint pain in a push is kept with it, and what nobody asked stays unknown", async () => {
  const client = await makeClient(clinic);
  const input = testInput({
    trials: [
      { id: randomUUID(), source: "typed", forceN: 400 },
      { id: randomUUID(), source: "typed", forceN: 410, pain: 9 },
    ],
  });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  const [kept] = await clinic.as("trainer", (ctx) => testsOf(ctx, client.episodeId));
  expect(kept?.trials.map((t) => t.pain)).toEqual([null, 9]);
});

test("nothing is pushed after a push that hurt above what is allowed", async () => {
  const client = await makeClient(clinic);
  const input = testInput({
    trials: [
      { id: randomUUID(), source: "typed", forceN: 400, pain: 9 },
      { id: randomUUID(), source: "typed", forceN: 410, pain: 0 },
    ],
  });
  await expect(clinic.as("therapist", (ctx) => recordTest(ctx, client, input))).rejects.toThrow(
    "due.pain_stops",
  );
  expect(await owner`select 1 from strength_trial where test_id = ${input.id}`).toHaveLength(0);
});

test("sending the same test twice keeps one", async () => {
  const client = await makeClient(clinic);
  const input = testInput();
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  expect(await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId))).toHaveLength(1);
  expect(await owner`select 1 from strength_trial where test_id = ${input.id}`).toHaveLength(2);
});

describe("nothing is written when", () => {
  test("the trials do not agree", async () => {
    const client = await makeClient(clinic);
    const input = testInput({
      trials: [400, 300].map((forceN) => ({ id: randomUUID(), source: "typed" as const, forceN })),
    });
    await expect(clinic.as("therapist", (ctx) => recordTest(ctx, client, input))).rejects.toThrow(
      /differ by \d+ %, more than 10 %: record another trial/,
    );
    expect(await stored(input.id)).toHaveLength(0);
  });

  test("a trial is bad and only one is left", async () => {
    const client = await makeClient(clinic);
    const flat = { timeS: pushTrace(1).timeS, forceN: pushTrace(1).timeS.map(() => 0.5) };
    const input = testInput({
      trials: [
        { id: randomUUID(), source: "load_cell", trace: pushTrace(300) },
        { id: randomUUID(), source: "load_cell", trace: flat },
      ],
    });
    await expect(clinic.as("therapist", (ctx) => recordTest(ctx, client, input))).rejects.toThrow(
      /Two valid trials are needed. Trial 2: no push can be seen/,
    );
    expect(await stored(input.id)).toHaveLength(0);
  });

  test.each(["trainer", "admin"] as const)("a %s sends it", async (role) => {
    const client = await makeClient(clinic);
    const input = testInput();
    await expect(clinic.as(role, (ctx) => recordTest(ctx, client, input))).rejects.toThrow(
      /Only a therapist records/,
    );
    expect(await stored(input.id)).toHaveLength(0);
  });
});

test("four trials that never agree are kept as unreliable, at the second best", async () => {
  const client = await makeClient(clinic);
  const forces = [400, 330, 280, 220];
  const input = testInput({
    zeroedRelaxed: true,
    trials: forces.map((forceN) => ({ id: randomUUID(), source: "typed" as const, forceN })),
  });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  const [test] = await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId));
  expect(test?.isReliable).toBe(false);
  expect(test?.torqueNm).toBeCloseTo(330 * 0.33, 6);
});

describe("taking a test back", () => {
  test("hides it with a reason, keeps it in the record, and is written down", async () => {
    const client = await makeClient(clinic);
    const input = testInput();
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
    await clinic.as("therapist", (ctx) => voidTest(ctx, client, input.id, "wrong lever arm"), daysLater(1));
    expect(await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId))).toHaveLength(0);
    const [row] = await stored(input.id);
    expect(row).toMatchObject({
      void_reason: "wrong lever arm",
      voided_by: clinic.actors.therapist.personId,
    });
    const notes = await owner`select deed from audit where subject_id = ${input.id} order by id`;
    expect(notes.map((n) => n.deed)).toEqual(["test.record", "test.void"]);
  });
  test("works once, for a therapist, on this client's tests", async () => {
    const client = await makeClient(clinic);
    const other = await makeClient(clinic);
    const input = testInput();
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
    await expect(clinic.as("trainer", (ctx) => voidTest(ctx, client, input.id, "because"))).rejects.toThrow(
      /Only a therapist/,
    );
    await expect(clinic.as("therapist", (ctx) => voidTest(ctx, other, input.id, "because"))).rejects.toThrow(
      /not there/,
    );
    await clinic.as("therapist", (ctx) => voidTest(ctx, client, input.id, "because"));
    await expect(clinic.as("therapist", (ctx) => voidTest(ctx, client, input.id, "because"))).rejects.toThrow(
      /not there/,
    );
  });
});

test("changed body measures are written down with before and after; stored torques stay", async () => {
  const client = await makeClient(clinic);
  const input = testInput();
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, input));
  const [before] = await stored(input.id);
  await clinic.as("therapist", (ctx) =>
    changeStory(ctx, client, {
      version: client.version,
      evenIfChanged: false,
      person: { ...newClient().person, bodyMassKg: 82, shankLengthM: 0.43 },
      episode: EPISODE,
    }),
  );
  const [note] =
    await owner`select before, after from audit where subject_id = ${client.episodeId} and deed = 'story.change'`;
  expect(note?.before).toMatchObject({ bodyMassKg: 70 });
  expect(note?.after).toMatchObject({ bodyMassKg: 82, shankLengthM: 0.43 });
  const [after] = await stored(input.id);
  expect(after?.torque_nm).toBe(before?.torque_nm);
});

test("a test late in the evening counts for the clinic's own day", async () => {
  const client = await makeClient(clinic);
  const lateUtc = new Date("2026-03-02T23:30:00Z");
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()), lateUtc);
  const [test] = await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId));
  expect(test?.takenOn).toBe("2026-03-03");
});

test("hamstrings, hip and calf are tested too; none of them changes the knee's extension dose", async () => {
  const client = await makeClient(clinic);
  const hip = testInput({
    movement: "hip_abduction",
    kneeFlexionDeg: 0,
    jointAngleDeg: 0,
    leverArmM: 0.4,
    zeroedRelaxed: true,
    trials: [
      { id: randomUUID(), source: "typed", forceN: 200 },
      { id: randomUUID(), source: "typed", forceN: 205 },
    ],
  });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, hip));
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput({ movement: "knee_flexion" })));
  const { strength } = (await clinic.as("therapist", (ctx) => sheetFacts(ctx, client))).choose;
  expect(strength.extension.from).toBe("prior");
  expect(strength.flexion).toMatchObject({ from: "trials", moved: [{ kind: "trial" }] });
  const tests = await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId));
  expect(tests.map((t) => [t.movement, Math.round(t.torqueNm)])).toEqual(
    expect.arrayContaining([
      ["hip_abduction", 81],
      // 405 N x 0.33 m less the lower leg's own weight
      ["knee_flexion", Math.round(405 * 0.33 - limbGravityTorqueNm(bodyFrom(70, 1.7), 60))],
    ]),
  );
});

test("a maximal test that could hurt a graft is refused at the route, and a warning sign bars every one", async () => {
  const client = await makeClient(clinic, {
    rules: [
      {
        conditionId: "acl_reconstruction",
        variantId: "hamstring_graft",
        phaseId: "p3",
        beganOn: "2026-01-26",
      },
    ],
  });
  const test = (over: Parameters<typeof testInput>[0]) =>
    clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput(over)));
  await expect(test({ kneeFlexionDeg: 45 })).rejects.toThrow("due.early_quadriceps");
  await expect(test({ movement: "knee_flexion" })).rejects.toThrow("due.hamstring_graft");
  await test({ kneeFlexionDeg: 45, side: "left" });
  await screenClear(clinic, client.clientId, daysLater(1), { rf_calf: "yes" });
  await expect(test({ kneeFlexionDeg: 60 })).rejects.toThrow(/Stop and refer same day/);
});

describe("other measurements", () => {
  const record = (client: Awaited<ReturnType<typeof makeClient>>, m: MeasurementInput, at = daysLater(0)) =>
    clinic.as("therapist", (ctx) => recordMeasurement(ctx, client, m), at);

  test("are kept newest first, sent twice they are one, and taken back they stay in the record", async () => {
    const client = await makeClient(clinic);
    const first = plainMeasurement(randomUUID(), "knee_bend", "right", 104);
    await record(client, first);
    await record(client, first);
    await record(client, plainMeasurement(randomUUID(), "knee_bend", "right", 111), daysLater(7));
    const all = () => clinic.as("trainer", (ctx) => measurementsOf(ctx, client.episodeId));
    expect((await all()).map((m) => [m.value, m.takenOn, m.way])).toEqual([
      [111, "2026-03-09", "passive"],
      [104, "2026-03-02", "passive"],
    ]);
    await clinic.as("therapist", (ctx) => voidMeasurement(ctx, client, first.id, "the wrong knee"));
    expect((await all()).map((m) => m.value)).toEqual([111]);
    await expect(
      clinic.as("therapist", (ctx) => voidMeasurement(ctx, client, first.id, "again")),
    ).rejects.toThrow(/not there any more/);
    const [kept] = await owner`select void_reason from measurement where id = ${first.id}`;
    expect(kept?.void_reason).toBe("the wrong knee");
  });

  test("are recorded by a therapist only, and nothing of another client can be taken back", async () => {
    const client = await makeClient(clinic);
    const other = await makeClient(clinic);
    const m = plainMeasurement(randomUUID(), "girth_thigh", "left", 52);
    await expect(clinic.as("trainer", (ctx) => recordMeasurement(ctx, client, m))).rejects.toThrow(
      /Only a therapist records a measurement/,
    );
    await record(client, m);
    await expect(
      clinic.as("therapist", (ctx) => voidMeasurement(ctx, other, m.id, "not mine")),
    ).rejects.toThrow(/not there any more/);
  });
});
