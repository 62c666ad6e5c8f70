import { randomUUID } from "node:crypto";
import type { Scheme } from "@/core/dose/scheme";
import type { ScoreInput, ScoreLine } from "@/core/dose/scoreInput";
import { recordTest } from "@/server/measurements";
import { recordMeasurement } from "@/server/otherMeasurements";
import { recordOf } from "@/server/record";
import { schemeFactsFor, sessionFacts } from "@/server/sessionContext";
import { pastLoads, saveScore } from "@/server/sessionScores";
import { keepTemplate, retireTemplate, templatesOf } from "@/server/sessionTemplates";
import { scoresOf } from "@/server/storedScores";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const KNEE = { conditionId: "knee_oa", variantId: "mild", phaseId: "build", beganOn: "2026-01-05" };
const STRAIGHT: Scheme = {
  kind: "straight",
  sets: 3,
  reps: 10,
  reserve: 3,
  tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
  restS: 90,
};

async function tested() {
  const client = await makeClient(clinic, { rules: [KNEE] });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  return client;
}

const line = (exerciseId: string, scheme: Scheme, legs: ScoreLine["legs"] = "together"): ScoreLine => ({
  exerciseId,
  scheme,
  legs,
  window: null,
  sharesRests: false,
});

const score = (over: Partial<ScoreInput> = {}): ScoreInput => ({
  id: randomUUID(),
  baseVersion: 0,
  items: [line("kext_single", STRAIGHT, "in_turns"), line("hip_abd", STRAIGHT)],
  ...over,
});

test("a session is saved in versions, twice is once, and the second of two people is told", async () => {
  const client = await tested();
  const save = (s: ScoreInput) => clinic.as("therapist", (ctx) => saveScore(ctx, client, s));
  const first = score();
  expect(await save(first)).toBe(1);
  expect(await save(first)).toBe(1);
  await expect(save(score())).rejects.toThrow(/saved version 1 of this session meanwhile/);
  expect(await save(score({ baseVersion: 1, items: [line("half_squat", STRAIGHT)] }))).toBe(2);
  const scores = await clinic.as("trainer", (ctx) => scoresOf(ctx, client.episodeId));
  expect(scores.map((s) => [s.version, s.items.length])).toEqual([
    [2, 1],
    [1, 2],
  ]);
  const [entry] = await clinic.as("admin", (ctx) => recordOf(ctx, client.clientId, null));
  expect(entry?.deed).toBe("score.write");
});

test.each([
  ["a barred exercise", [line("ghr", STRAIGHT)], /is barred, because of/],
  ["an unknown one", [line("flying", STRAIGHT)], /not in the library/],
  [
    "a scheme that does not suit the exercise",
    [line("kext_single", { kind: "stretch", totalS: 60, toleratedS: 30 }, "one")],
    /is no stretch/,
  ],
  [
    "a drop set for a novice",
    [line("kext_single", { kind: "drop", drops: 2, dropPct: 20, reserve: 2 }, "one")],
    /not for novices/,
  ],
  [
    "fewer in reserve than the phase asks for",
    [line("kext_single", { ...STRAIGHT, reserve: 0 }, "one")],
    /leaves 0 in reserve; 2 at least are asked for \(phase\)/,
  ],
  [
    "a hold outside of the open arc",
    [
      line(
        "kext_single",
        {
          kind: "holds",
          sets: 1,
          reps: 5,
          holdS: 20,
          restS: 60,
          setRestS: 0,
          effort: { kind: "felt", felt: 5 },
          atDeg: 130,
        },
        "one",
      ),
    ],
    /choose angles inside/,
  ],
  [
    "a window beyond the open arc",
    [{ ...line("half_squat", STRAIGHT), window: { fromDeg: 0, toDeg: 125 } }],
    /choose angles inside/,
  ],
  [
    "one leg on a machine for two",
    [line("hip_abd", STRAIGHT), line("lp_horizontal", STRAIGHT, "one")],
    /both at once/,
  ],
  [
    "two accumulated sets",
    [
      line("kext_single", { kind: "accumulated", total: 15, restS: 20, reserve: 2 }, "one"),
      line("hip_abd", { kind: "accumulated", total: 15, restS: 20, reserve: 2 }),
    ],
    /once in a session is enough/,
  ],
])("%s is refused and nothing is written", async (_, items, why) => {
  const client = await tested();
  await expect(clinic.as("therapist", (ctx) => saveScore(ctx, client, score({ items })))).rejects.toThrow(
    why,
  );
  expect(await clinic.as("therapist", (ctx) => scoresOf(ctx, client.episodeId))).toEqual([]);
});

test("only a therapist saves one; an accumulated set of some days ago is remembered", async () => {
  const client = await tested();
  for (const role of ["trainer", "admin"] as const)
    await expect(clinic.as(role, (ctx) => saveScore(ctx, client, score()))).rejects.toThrow(
      /Only a therapist/,
    );
  const accumulated = score({
    items: [line("kext_single", { kind: "accumulated", total: 15, restS: 20, reserve: 2 }, "one")],
  });
  await clinic.as("therapist", (ctx) => saveScore(ctx, client, accumulated));
  const later = await clinic.as("therapist", (ctx) => schemeFactsFor(ctx, client), daysLater(4));
  expect(later).toMatchObject({ daysSinceAccumulated: 4, isNovice: true, isPostOp: false });
  await expect(
    clinic.as(
      "therapist",
      (ctx) => saveScore(ctx, client, { ...accumulated, id: randomUUID(), baseVersion: 1 }),
      daysLater(4),
    ),
  ).rejects.toThrow(/7 to 10 days apart/);
});

test("a client whom nobody has screened gets no session", async () => {
  const client = await makeClient(clinic, { rules: [KNEE], isScreened: false });
  await expect(clinic.as("therapist", (ctx) => saveScore(ctx, client, score()))).rejects.toThrow(
    /warning sign/i,
  );
});

test("what sessions of earlier days gave is kept by day, the last version of each", async () => {
  const client = await tested();
  await clinic.as("therapist", (ctx) => saveScore(ctx, client, score()));
  const second = score({ baseVersion: 1, items: [line("half_squat", STRAIGHT)] });
  await clinic.as("therapist", (ctx) => saveScore(ctx, client, second));
  expect(await clinic.as("therapist", (ctx) => pastLoads(ctx, client.episodeId))).toEqual([]);
  const [past, ...more] = await clinic.as(
    "therapist",
    (ctx) => pastLoads(ctx, client.episodeId),
    daysLater(3),
  );
  expect(more).toEqual([]);
  expect(past).toMatchObject({ daysAgo: 3, hardReps: 6 });
  expect(past?.kneecapChairS).toBeGreaterThan(5);
});

test("the newest repetition test of a machine is what loads are counted from, of this side or both", async () => {
  const client = await tested();
  const measured = (value: number, side: "left" | "right" | null) => ({
    id: randomUUID(),
    kind: "repetition_test" as const,
    side,
    value,
    way: null,
    source: "typed" as const,
    apparatus: "Leg press by the window",
    reps: 8,
    reserve: 2,
    twoLegs: side === null,
    chairM: null,
    armsUsed: null,
  });
  const other = client.side === "left" ? "right" : "left";
  const record = (value: number, side: "left" | "right" | null, later: number) =>
    clinic.as("therapist", (ctx) => recordMeasurement(ctx, client, measured(value, side)), daysLater(later));
  await record(60, null, 0);
  await record(70, null, 1);
  await record(99, other, 1);
  const facts = await clinic.as("therapist", (ctx) => sessionFacts(ctx, client), daysLater(2));
  if (typeof facts === "string") throw new Error(facts);
  expect(facts.choose.repetitionTests).toMatchObject([{ loadKg: 70, twoLegs: true, reps: 8, reserve: 2 }]);
});

test("a template is kept by name, replaced by the same name, put away by a therapist, and stays in its clinic", async () => {
  const input = (name: string) => ({ id: randomUUID(), name, items: [line("half_squat", STRAIGHT)] });
  const first = input("Calm knee, 30 min");
  await clinic.as("therapist", (ctx) => keepTemplate(ctx, first));
  await clinic.as("therapist", (ctx) => keepTemplate(ctx, first));
  const second = { ...input("calm knee, 30 MIN"), items: [line("hip_abd", STRAIGHT)] };
  await clinic.as("therapist", (ctx) => keepTemplate(ctx, second));
  const kept = await clinic.as("trainer", (ctx) => templatesOf(ctx));
  expect(kept.map((t) => [t.name, t.items[0]?.exerciseId])).toEqual([["calm knee, 30 MIN", "hip_abd"]]);
  await expect(clinic.as("trainer", (ctx) => keepTemplate(ctx, input("Mine")))).rejects.toThrow(
    /Only a therapist/,
  );
  await expect(clinic.as("trainer", (ctx) => retireTemplate(ctx, second.id))).rejects.toThrow(
    /Only a therapist/,
  );
  const elsewhere = await makeClinic();
  expect(await elsewhere.as("therapist", (ctx) => templatesOf(ctx))).toEqual([]);
  await expect(elsewhere.as("therapist", (ctx) => retireTemplate(ctx, second.id))).rejects.toThrow(
    /not there/,
  );
  await clinic.as("therapist", (ctx) => retireTemplate(ctx, second.id));
  expect(await clinic.as("therapist", (ctx) => templatesOf(ctx))).toEqual([]);
});
