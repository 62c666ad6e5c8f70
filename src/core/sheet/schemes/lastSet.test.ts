import fc from "fast-check";
import { EXAMPLES, line, scoreContext } from "../../testdata/scoreContext";
import { judgeScore } from "../judge/judgeScore";
import { repetitionsPossible } from "../load/workingLoad";
import type { SchemeFacts } from "./gates";
import { LAST_SETS } from "./lastSet";
import { shareOfTarget } from "./parts";
import { scheme, schemeBars, setsOf } from "./scheme";

const straight = EXAMPLES.straight;
const TEMPO = straight.tempo;

test("only the last of several sets is another, and a single one is as it was (X4)", () => {
  for (const last of LAST_SETS) {
    const sets = setsOf({ ...straight, last });
    expect(sets.map((s) => s.last ?? null)).toEqual([null, null, last]);
    expect(sets.slice(0, 2)).toEqual(setsOf(straight).slice(0, 2));
    expect(setsOf({ ...straight, sets: 1, last })).toEqual(setsOf({ ...straight, sets: 1 }));
  }
  expect(scheme.safeParse({ ...straight, last: "heavier" }).success).toBe(false);
  // a sheet of before has none
  expect(scheme.parse(straight)).toEqual(straight);
});

test("a lighter last set leaves at least as much, never fewer repetitions, and says what it is set to", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 8 }), (reps, reserve) => {
      const set = setsOf({ ...straight, reps, reserve, last: "lighter" }).at(-1);
      if (set?.reps == null) throw new Error("no set");
      expect(set.loadShare).toBe(0.8);
      expect(set.reps).toBeGreaterThanOrEqual(reps);
      expect(set.reps).toBeLessThanOrEqual(30);
      const can = repetitionsPossible(set.loadShare * shareOfTarget({ reps, reserve }));
      expect(can - set.reps).toBeGreaterThanOrEqual(reserve - 1e-9);
    }),
  );
});

test("a slower one lowers twice as long and no longer than fifteen seconds, for fewer repetitions", () => {
  const set = setsOf({ ...straight, reps: 9, last: "slower" }).at(-1);
  expect(set).toMatchObject({ reps: 6, reserve: straight.reserve, workS: 6 * (2 + 6) });
  const long = setsOf({ ...straight, reps: 1, tempo: { ...TEMPO, lowerS: 12 }, last: "slower" }).at(-1);
  expect(long).toMatchObject({ reps: 1, workS: 2 + 15 });
});

test("one nearer its end does one more and leaves one fewer, never less than none", () => {
  const nearer = (reserve: number) => setsOf({ ...straight, reps: 10, reserve, last: "nearer" }).at(-1);
  expect(nearer(3)).toMatchObject({ reps: 11, reserve: 2, loadShare: 1 });
  expect(nearer(0)).toMatchObject({ reps: 11, reserve: 0 });
});

test("nearer its end is not for who is new to it, easily stirred up, or in an early phase (gates)", () => {
  const facts: SchemeFacts = {
    ...{ isPostOp: false, isNovice: false, isLate: true, irritability: "low", lastPain: 0 },
    ...{ daysSinceAccumulated: null, accumulatedInSession: 0, canBeHeld: true, isLoadable: true },
    ...{ isStretch: false, isMoved: true, isOneLeggedMachine: false, travels: false },
  };
  const nearer = { ...straight, last: "nearer" } as const;
  expect(schemeBars(nearer, facts)).toEqual([]);
  for (const other of [{ isNovice: true }, { isLate: false }, { irritability: "high" as const }]) {
    expect(schemeBars(nearer, { ...facts, ...other })).toHaveLength(1);
    expect(schemeBars({ ...straight, last: "lighter" }, { ...facts, ...other })).toEqual([]);
  }
});

test("a lighter last set is barred where nothing lighter can be set: the body alone, and the lightest step", () => {
  const context = scoreContext();
  const barsOf = (id: string, over: Parameters<typeof line>[2] = {}) =>
    judgeScore([line(id, { ...straight, last: "lighter" }, over)], context)[0]?.bars ?? [];
  const nothing = { code: "line.nothing_lighter" };
  expect(barsOf("lp_horizontal", { loadKg: 60 })).not.toContainEqual(nothing);
  const [usual] = judgeScore([line("lp_horizontal", straight)], context);
  const lightest = usual?.load?.setting?.loads[0]?.load;
  expect(barsOf("lp_horizontal", { loadKg: lightest })).toContainEqual(nothing);
  expect(barsOf("step_up", { legs: "one", loadKg: 0 })).toContainEqual(nothing);
});
