import fc from "fast-check";
import { SCHEME_NAMES } from "@/words/en/plan/line";
import { sayPlainly } from "@/words/say";
import { EXERCISES, exerciseById } from "../../rules/exercises";
import { repetitionSeconds, schemeTotals } from "../../testdata/byFormula";
import { inWords } from "../../testdata/inWords";
import { EXAMPLES } from "../../testdata/scoreContext";
import { issueSaid } from "../../units/wrong";
import { schemeFactsOf } from "../judge/schemeFacts";
import { legs, legsAllowed } from "../line/legs";
import { exerciseSeconds } from "../time/holdSeconds";
import { groupSteps, runSeconds } from "../time/runThrough";
import type { SchemeFacts } from "./gates";
import { SCHEME_KINDS, type Scheme, scheme, schemeBars, schemeShare, setsOf } from "./scheme";

const anyFacts: fc.Arbitrary<SchemeFacts> = fc.record({
  isPostOp: fc.boolean(),
  isNovice: fc.boolean(),
  isLate: fc.boolean(),
  irritability: fc.constantFrom("low" as const, "moderate" as const, "high" as const),
  lastPain: fc.option(fc.integer({ min: 0, max: 10 }), { nil: null }),
  daysSinceAccumulated: fc.option(fc.nat(20), { nil: null }),
  accumulatedInSession: fc.nat(2),
  canBeHeld: fc.boolean(),
  isLoadable: fc.boolean(),
  isStretch: fc.boolean(),
  isMoved: fc.boolean(),
  isOneLeggedMachine: fc.boolean(),
  travels: fc.boolean(),
});
const FREE: SchemeFacts = {
  isPostOp: false,
  isNovice: false,
  isLate: true,
  irritability: "low",
  lastPain: 1,
  daysSinceAccumulated: null,
  accumulatedInSession: 0,
  canBeHeld: true,
  isLoadable: true,
  isStretch: false,
  isMoved: true,
  isOneLeggedMachine: true,
  travels: true,
};

describe("schemes", () => {
  test.each(SCHEME_KINDS.map((k) => [k]))("%s is named, parsed, and has whole sets and totals", (kind) => {
    expect(SCHEME_NAMES[kind].length).toBeGreaterThan(3);
    expect(scheme.parse(EXAMPLES[kind])).toEqual(EXAMPLES[kind]);
    const sets = setsOf(EXAMPLES[kind]);
    expect(sets.length).toBeGreaterThan(0);
    for (const s of sets) {
      expect(s.workS).toBeGreaterThanOrEqual(s.tensionS);
      expect(s.tensionS).toBeGreaterThan(0);
      expect((s.reps === null) === (s.holds !== null)).toBe(true);
    }
    for (const l of legs.options) {
      const t = schemeTotals(EXAMPLES[kind], l);
      expect(t.seconds).toBeGreaterThan(30);
      if (t.hard !== null) expect(t.hard).toBeGreaterThanOrEqual(0);
    }
    expect(schemeTotals(EXAMPLES[kind], "one_after_other").seconds).toBeGreaterThan(
      schemeTotals(EXAMPLES[kind], "one").seconds,
    );
  });

  test("ramp sets come before the work, lighter, and are never hard; drops and climbs change the load", () => {
    const ramp = setsOf(EXAMPLES.ramp);
    const before = ramp.filter((s) => s.role === "ramp");
    expect(before.length).toBeGreaterThanOrEqual(2);
    expect(ramp.slice(0, before.length)).toEqual(before);
    for (const s of before) expect(s.loadShare).toBeLessThan(1);
    expect(setsOf(EXAMPLES.drop).map((s) => s.loadShare)).toEqual([1, 0.8, expect.closeTo(0.64, 9)]);
    const climb = setsOf(EXAMPLES.climb).map((s) => s.loadShare);
    expect(climb).toEqual([...climb].sort((a, b) => a - b));
    for (const reserve of [1, 2, 3, 4]) {
      const bouts = setsOf({ ...EXAMPLES.accumulated, reserve });
      expect(bouts.reduce((sum, s) => sum + (s.reps ?? 0), 0)).toBe(25);
      for (const b of bouts) expect(b.reserve).toBeGreaterThanOrEqual(reserve);
      for (const c of setsOf({ ...EXAMPLES.climb, reserve }))
        expect(c.reserve).toBeGreaterThanOrEqual(reserve);
    }
  });

  test("more repetitions, more in reserve and less felt effort never ask for a heavier load", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 29 }), fc.integer({ min: 0, max: 7 }), (reps, reserve) => {
        for (const base of [EXAMPLES.straight, EXAMPLES.two_up_one_down] as const) {
          const at = (r: number, left: number) => schemeShare({ ...base, reps: r, reserve: left }) as number;
          expect(at(reps + 1, reserve)).toBeLessThanOrEqual(at(reps, reserve));
          expect(at(reps, reserve + 1)).toBeLessThanOrEqual(at(reps, reserve));
        }
      }),
    );
    const felt = [4, 6, 8].map(
      (x) => schemeShare({ ...EXAMPLES.holds, effort: { kind: "felt", felt: x } }) as number,
    );
    expect(felt).toEqual([...felt].sort((a, b) => a - b));
    expect(schemeShare({ ...EXAMPLES.holds, effort: { kind: "percent", percent: 70 } })).toBe(0.7);
    expect(schemeShare(EXAMPLES.stretch)).toBeNull();
    for (const kind of SCHEME_KINDS) expect(schemeShare(EXAMPLES[kind]) ?? 0).toBeLessThan(0.86);
  });

  test.each<[string, unknown, string]>([
    ["a hold of ten minutes", { ...EXAMPLES.holds, holdS: 600 }, "between 3 and 60"],
    ["an angle between the notches", { ...EXAMPLES.holds, atDeg: 62 }, "steps of 5 degrees"],
    ["an angle beyond the knee", { ...EXAMPLES.holds, atDeg: 140 }, "between 0 and 130"],
    ["a total nobody does", { ...EXAMPLES.accumulated, total: 60 }, "from 8 to 40"],
    ["a climb of twelves", { ...EXAMPLES.climb, reps: 12 }, "from 3 to 10"],
    ["a walk of a kilometre", { ...EXAMPLES.carry, distanceM: 1000 }, "between 4 and 40"],
  ])("%s is refused with a sentence", (_, value, words) => {
    expect(
      scheme
        .safeParse(value)
        .error?.issues.map((i) => sayPlainly(issueSaid(i)))
        .join(),
    ).toContain(words);
    expect(scheme.safeParse({ kind: "pyramid" }).success).toBe(false);
    // what was saved before its repetitions could be chosen climbs in sixes, as it did
    expect(scheme.parse({ kind: "climb", plateKg: 5, reserve: 1 })).toEqual(EXAMPLES.climb);
  });
});

describe("gates of schemes", () => {
  test("are total, and making anything worse never opens one", () => {
    fc.assert(
      fc.property(anyFacts, fc.constantFrom(...SCHEME_KINDS), (f, kind) => {
        const bars = schemeBars(EXAMPLES[kind], f).length;
        for (const worse of [
          { ...f, isPostOp: true },
          { ...f, isNovice: true },
          { ...f, irritability: "high" as const },
          { ...f, accumulatedInSession: f.accumulatedInSession + 1 },
        ])
          expect(schemeBars(EXAMPLES[kind], worse).length).toBeGreaterThanOrEqual(bars);
        if (f.lastPain !== null && f.lastPain < 10)
          expect(
            schemeBars(EXAMPLES[kind], { ...f, lastPain: f.lastPain + 1 }).length,
          ).toBeGreaterThanOrEqual(bars);
      }),
    );
    for (const kind of SCHEME_KINDS)
      expect(schemeBars(EXAMPLES[kind], { ...FREE, isStretch: kind === "stretch" })).toEqual([]);
  });

  test.each<[string, Scheme["kind"], Partial<SchemeFacts>, RegExp]>([
    ["within a week", "accumulated", { daysSinceAccumulated: 6 }, /7 to 10 days apart/],
    ["twice in a session", "accumulated", { accumulatedInSession: 1 }, /once in a session/],
    ["early after surgery", "accumulated", { isPostOp: true }, /not early after surgery/],
    ["with pain", "lowering", { lastPain: 3 }, /at most 2/],
    ["with pain", "two_up_one_down", { lastPain: 3 }, /at most 2/],
    ["on a machine for two legs", "two_up_one_down", { isOneLeggedMachine: false }, /single-leg form/],
    ["standing still", "carry", { travels: false }, /over a distance/],
    ["for what is only held", "straight", { isMoved: false }, /only held/],
  ])("%s: %s is barred", (_, kind, over, why) => {
    expect(
      schemeBars(EXAMPLES[kind], { ...FREE, ...over })
        .map(inWords)
        .join(),
    ).toMatch(why);
  });

  test("legs are offered for every exercise and scheme, a two-leg machine never on one leg", () => {
    for (const e of EXERCISES)
      for (const kind of SCHEME_KINDS) expect(legsAllowed(e, kind).length).toBeGreaterThan(0);
    const press = exerciseById("lp_horizontal");
    const single = exerciseById("lp_single");
    if (!press || !single) throw new Error("no press");
    expect(legsAllowed(press, "straight")).toEqual(["together"]);
    expect(legsAllowed(single, "straight")).not.toContain("together");
    const known = {
      isPostOp: false,
      isNovice: false,
      isLate: true,
      irritability: "low" as const,
      lastPain: 0,
    };
    const facts = schemeFactsOf({ ...known, daysSinceAccumulated: null }, single, 0);
    expect(facts.isOneLeggedMachine).toBe(true);
  });
});

describe("the timers of a line", () => {
  const tempo = fc.record({
    liftS: fc.integer({ min: 1, max: 4 }),
    topS: fc.nat(3),
    lowerS: fc.integer({ min: 1, max: 6 }),
    bottomS: fc.nat(2),
  });
  const alone = (s: Scheme, l: Parameters<typeof schemeTotals>[1]) =>
    runSeconds(groupSteps([{ id: "a", legs: l, sharesRests: false, machine: null, sets: setsOf(s) }]));

  test("add up to the seconds of the dosing rules, for repetitions on one leg, in turns and in sequence", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 20 }),
        tempo,
        fc.integer({ min: 0, max: 240 }),
        (sets, reps, t, restS) => {
          const s: Scheme = { kind: "straight", sets, reps, reserve: 2, tempo: t, restS };
          const timing = { sets, reps, tempo: t, setRestS: restS };
          const rule = (sides: 1 | 2, inTurns: boolean) => repetitionSeconds({ ...timing, sides, inTurns });
          expect(alone(s, "one")).toBeCloseTo(rule(1, false), 6);
          expect(alone(s, "in_turns")).toBeCloseTo(rule(2, true), 6);
          expect(alone(s, "one_after_other")).toBeCloseTo(rule(2, false), 6);
        },
      ),
    );
  });

  test("and for holds on one and both sides", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 3, max: 60 }),
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 0, max: 300 }),
        (sets, reps, holdS, restS, setRestS) => {
          const s: Scheme = { ...EXAMPLES.holds, sets, reps, holdS, restS, setRestS };
          expect(alone(s, "one")).toBeCloseTo(exerciseSeconds(s, 1), 6);
          expect(alone(s, "one_after_other")).toBeCloseTo(exerciseSeconds(s, 2), 6);
        },
      ),
    );
  });
});
