import type { HoldPlan } from "../dose/holdPlan";
import type { HoldRecord } from "./holdRecord";
import { heldState, timedHoldsFrom, weeklyTrend } from "./sessionSummary";

const plan = { pattern: { holdS: 30, reps: 2, sets: 1, restS: 60, setRestS: 0 } } as HoldPlan;
const record = (seq: number, heldS: number, over: Partial<HoldRecord> = {}): HoldRecord => ({
  id: `r${seq}`,
  seq,
  corrects: null,
  voided: false,
  startedAt: "2026-03-02T10:00:00.000Z",
  heldS,
  painBefore: 1,
  painAfter: 1,
  early: null,
  meanForceN: null,
  ...over,
});

test.each([
  [[30, 30], "top"],
  [[30, 29.6], "top"],
  [[30, 27], "in"],
  [[30, 23.9], "below"],
  [[30], "below"],
  [[], "below"],
] as const)("held %j of 2 x 30 s is %s", (held, state) => {
  expect(
    heldState(
      plan,
      held.map((s, i) => record(i + 1, s)),
    ),
  ).toBe(state);
});

test("a hold that was taken back does not count, its correction does", () => {
  const records = [
    record(1, 30),
    record(2, 10),
    record(2, 10, { id: "void", corrects: "r2", voided: true }),
    record(2, 30, { id: "again" }),
  ];
  expect(heldState(plan, records)).toBe("top");
});

test("only a first hold that ended because the muscle gave out tells endurance", () => {
  const gaveOut = record(1, 22, { early: "muscle" });
  expect(timedHoldsFrom([{ shareOfMax: 0.5, records: [gaveOut] }])).toEqual([{ shareOfMax: 0.5, heldS: 22 }]);
  expect(timedHoldsFrom([{ shareOfMax: 0.5, records: [record(1, 22, { early: "joint_pain" })] }])).toEqual(
    [],
  );
  expect(timedHoldsFrom([{ shareOfMax: 0.5, records: [record(2, 22, { early: "muscle" })] }])).toEqual([]);
});

test("the weekly trend needs a session in both weeks", () => {
  expect(weeklyTrend([{ daysAgo: 0, pain: 3 }])).toBeNull();
  expect(
    weeklyTrend([
      { daysAgo: 9, pain: 1 },
      { daysAgo: 7, pain: 2 },
      { daysAgo: 6, pain: 3 },
      { daysAgo: 0, pain: 3 },
    ]),
  ).toBeCloseTo(1.5);
});
