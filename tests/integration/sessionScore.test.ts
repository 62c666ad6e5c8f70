import { randomUUID } from "node:crypto";
import type { Scheme } from "@/core/dose/scheme";
import type { ScoreInput } from "@/core/dose/scoreInput";
import { recordTest } from "@/server/measurements";
import { recordOf } from "@/server/record";
import { saveScore, schemeFactsFor, scoresOf } from "@/server/sessionScores";
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

const score = (over: Partial<ScoreInput> = {}): ScoreInput => ({
  id: randomUUID(),
  baseVersion: 0,
  items: [
    { exerciseId: "kext_single", scheme: STRAIGHT, sides: 2 },
    { exerciseId: "hip_abd", scheme: STRAIGHT, sides: 1 },
  ],
  ...over,
});

test("a session is saved in versions, twice is once, and the second of two people is told", async () => {
  const client = await tested();
  const save = (s: ScoreInput) => clinic.as("therapist", (ctx) => saveScore(ctx, client, s));
  const first = score();
  expect(await save(first)).toBe(1);
  expect(await save(first)).toBe(1);
  await expect(save(score())).rejects.toThrow(/saved version 1 of this session meanwhile/);
  expect(
    await save(score({ baseVersion: 1, items: [{ exerciseId: "half_squat", scheme: STRAIGHT, sides: 1 }] })),
  ).toBe(2);
  const scores = await clinic.as("trainer", (ctx) => scoresOf(ctx, client.episodeId));
  expect(scores.map((s) => [s.version, s.items.length])).toEqual([
    [2, 1],
    [1, 2],
  ]);
  const [entry] = await clinic.as("admin", (ctx) => recordOf(ctx, client.clientId, null));
  expect(entry?.deed).toBe("score.write");
});

test.each([
  [
    "a barred exercise",
    [{ exerciseId: "ghr", scheme: STRAIGHT, sides: 1 as const }],
    /is barred, because of/,
  ],
  ["an unknown one", [{ exerciseId: "flying", scheme: STRAIGHT, sides: 1 as const }], /not in the library/],
  [
    "a scheme that does not suit the exercise",
    [
      {
        exerciseId: "kext_single",
        scheme: { kind: "stretch" as const, totalS: 60, toleratedS: 30 },
        sides: 1 as const,
      },
    ],
    /is no stretch/,
  ],
  [
    "a drop set for a novice",
    [
      {
        exerciseId: "kext_single",
        scheme: { kind: "drop" as const, drops: 2, dropPct: 20 },
        sides: 1 as const,
      },
    ],
    /not for novices/,
  ],
  [
    "two accumulated sets",
    [
      {
        exerciseId: "kext_single",
        scheme: { kind: "accumulated" as const, total: 15 as const, restS: 20 },
        sides: 1 as const,
      },
      {
        exerciseId: "hip_abd",
        scheme: { kind: "accumulated" as const, total: 15 as const, restS: 20 },
        sides: 1 as const,
      },
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
    items: [{ exerciseId: "kext_single", scheme: { kind: "accumulated", total: 15, restS: 20 }, sides: 1 }],
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
