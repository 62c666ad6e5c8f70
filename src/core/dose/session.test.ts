import fc from "fast-check";
import { bodyFrom } from "../body/segments";
import { TEMPLATES, templateOf } from "../equipment/templates";
import { CONDITIONS } from "../rules/conditions";
import { EXERCISES, exerciseById } from "../rules/exercises";
import { fitExercise } from "../safety/fitExercise";
import { phaseLimits } from "../safety/phaseLimits";
import { rangeSheet } from "../selection/rangeSheet";
import { chairRise, type ReferenceTask } from "../selection/tissues";
import { FREE_WEIGHT } from "../selection/weightOnLeg";
import { findRoot } from "../units/findRoot";
import { repetitionSeconds } from "./repetitionSeconds";
import { SCHEME_KINDS, SCHEME_NAMES, type Scheme, scheme } from "./scheme";
import { type SchemeFacts, schemeBars } from "./schemeGates";
import { schemeShare } from "./schemeShare";
import { schemeTotals } from "./schemeTotals";
import { orderNotes, type ScoreItem, scoreTotals } from "./sessionScore";
import { sessionTemplate } from "./sessionTemplate";

const TEMPO = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
const EXAMPLES: Record<Scheme["kind"], Scheme> = {
  holds: { kind: "holds", sets: 1, reps: 5, holdS: 45, restS: 120, setRestS: 0, feltEffort: 7 },
  straight: { kind: "straight", sets: 3, reps: 10, reserve: 2, tempo: TEMPO, restS: 90 },
  ramp: { kind: "ramp", sets: 3, reps: 6, reserve: 2, tempo: TEMPO, restS: 120 },
  climb: { kind: "climb", plateKg: 5 },
  accumulated: { kind: "accumulated", total: 25, restS: 20 },
  drop: { kind: "drop", drops: 2, dropPct: 20 },
  partials: { kind: "partials", sets: 2, reps: 10, partials: 5, end: "stretched", holdS: 15, restS: 90 },
  light: { kind: "light", sets: 2, reps: 32, restS: 60 },
  lowering: { kind: "lowering", sets: 3, reps: 5, lowerS: 5, restS: 120 },
  stretch: { kind: "stretch", totalS: 120, toleratedS: 45 },
};

const anyFacts: fc.Arbitrary<SchemeFacts> = fc.record({
  isPostOp: fc.boolean(),
  isNovice: fc.boolean(),
  irritability: fc.constantFrom("low" as const, "moderate" as const, "high" as const),
  lastPain: fc.option(fc.integer({ min: 0, max: 10 }), { nil: null }),
  daysSinceAccumulated: fc.option(fc.nat(20), { nil: null }),
  accumulatedInSession: fc.nat(2),
  canBeHeld: fc.boolean(),
  isLoadable: fc.boolean(),
  isStretch: fc.boolean(),
});

describe("schemes", () => {
  test.each(SCHEME_KINDS.map((k) => [k]))("%s is named, parsed, and has whole totals", (kind) => {
    expect(SCHEME_NAMES[kind].length).toBeGreaterThan(3);
    expect(scheme.parse(EXAMPLES[kind])).toEqual(EXAMPLES[kind]);
    for (const sides of [1, 2] as const) {
      const t = schemeTotals(EXAMPLES[kind], sides);
      expect(t.seconds).toBeGreaterThan(30);
      expect(t.tensionS).toBeGreaterThan(0);
      if (t.hard !== null) expect(t.hard).toBeGreaterThanOrEqual(0);
    }
    expect(schemeTotals(EXAMPLES[kind], 2).seconds).toBeGreaterThan(schemeTotals(EXAMPLES[kind], 1).seconds);
  });

  test("more repetitions, more in reserve and less felt effort never ask for a heavier load", () => {
    const straight = EXAMPLES.straight as Extract<Scheme, { kind: "straight" }>;
    const holds = EXAMPLES.holds as Extract<Scheme, { kind: "holds" }>;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 29 }), fc.integer({ min: 0, max: 7 }), (reps, reserve) => {
        const at = (r: number, left: number) =>
          schemeShare({ ...straight, reps: r, reserve: left }) as number;
        expect(at(reps + 1, reserve)).toBeLessThanOrEqual(at(reps, reserve));
        expect(at(reps, reserve + 1)).toBeLessThanOrEqual(at(reps, reserve));
        expect(at(reps, reserve)).toBeLessThanOrEqual(0.85);
      }),
    );
    const felt = [4, 6, 8].map((feltEffort) => schemeShare({ ...holds, feltEffort }) as number);
    expect(felt).toEqual([...felt].sort((a, b) => a - b));
    expect(schemeShare(EXAMPLES.stretch)).toBeNull();
    for (const kind of SCHEME_KINDS) expect(schemeShare(EXAMPLES[kind]) ?? 0).toBeLessThan(0.86);
  });

  test("numbers out of range are refused with a sentence, strange kinds too", () => {
    expect(scheme.safeParse({ ...EXAMPLES.holds, holdS: 600 }).error?.issues[0]?.message).toContain(
      "between 3 and 60",
    );
    expect(scheme.safeParse({ ...EXAMPLES.accumulated, total: 40 }).success).toBe(false);
    expect(scheme.safeParse({ kind: "pyramid" }).success).toBe(false);
  });

  test("the gates are total, and making anything worse never opens one", () => {
    fc.assert(
      fc.property(anyFacts, fc.constantFrom(...SCHEME_KINDS), (f, kind) => {
        const bars = schemeBars(kind, f).length;
        for (const worse of [
          { ...f, isPostOp: true },
          { ...f, isNovice: true },
          { ...f, irritability: "high" as const },
          { ...f, accumulatedInSession: f.accumulatedInSession + 1 },
        ])
          expect(schemeBars(kind, worse).length).toBeGreaterThanOrEqual(bars);
        if (f.lastPain !== null && f.lastPain < 10)
          expect(schemeBars(kind, { ...f, lastPain: f.lastPain + 1 }).length).toBeGreaterThanOrEqual(bars);
      }),
    );
  });

  test("an accumulated set waits 7 days, comes once a session, and never early after surgery", () => {
    const free: SchemeFacts = {
      isPostOp: false,
      isNovice: false,
      irritability: "low",
      lastPain: 1,
      daysSinceAccumulated: null,
      accumulatedInSession: 0,
      canBeHeld: true,
      isLoadable: true,
      isStretch: false,
    };
    expect(schemeBars("accumulated", free)).toEqual([]);
    expect(schemeBars("accumulated", { ...free, daysSinceAccumulated: 6 }).join()).toContain(
      "7 to 10 days apart",
    );
    expect(schemeBars("accumulated", { ...free, accumulatedInSession: 1 })).toHaveLength(1);
    expect(schemeBars("accumulated", { ...free, isPostOp: true })).toEqual(["not early after surgery"]);
    expect(schemeBars("lowering", { ...free, lastPain: 3 }).join()).toContain("at most 2");
  });
});

const item = (id: string, s: Scheme): ScoreItem => {
  const exercise = exerciseById(id);
  if (!exercise) throw new Error(`no ${id}`);
  return { id: `${id} ${s.kind}`, exercise, scheme: s, sides: 1 };
};
const light: Scheme = {
  ...(EXAMPLES.straight as Extract<Scheme, { kind: "straight" }>),
  sets: 1,
  reserve: 5,
};

describe("the order of a session", () => {
  const words = (items: ScoreItem[], calves = false) =>
    orderNotes(items, { calves })
      .map((n) => n.sentence)
      .join(" ");

  test("a sensible order has nothing to say", () => {
    const good = [
      item("kext_full", light),
      item("lp_horizontal", EXAMPLES.straight),
      item("curl_seated", EXAMPLES.straight),
      item("hip_abd", EXAMPLES.straight),
      item("calf_standing", EXAMPLES.straight),
    ];
    expect(orderNotes(good, { calves: false })).toEqual([]);
  });

  test.each([
    ["heavy first", [item("lp_horizontal", EXAMPLES.straight)], /light sets or holds before it/],
    [
      "hard isolation before the press",
      [item("kext_full", EXAMPLES.straight), item("lp_horizontal", EXAMPLES.straight)],
      /move it behind, or make it light/,
    ],
    [
      "the press after much else",
      [
        item("kext_full", light),
        item("hip_abd", EXAMPLES.straight),
        item("bridge_two", EXAMPLES.straight),
        item("lp_horizontal", EXAMPLES.straight),
      ],
      /while fresh: move it up/,
    ],
    [
      "two heavy holds in a row",
      [item("kext_iso_machine", EXAMPLES.holds), item("kext_iso_band", EXAMPLES.holds)],
      /Two heavy holds of one joint/,
    ],
    [
      "calves before other work",
      [item("calf_seated", EXAMPLES.straight), item("hip_abd", EXAMPLES.straight)],
      /Calves come last/,
    ],
    [
      "calves before balance",
      [item("calf_standing", EXAMPLES.straight), item("hinge_single", EXAMPLES.straight)],
      /cost balance/,
    ],
    [
      "two accumulated sets",
      [
        item("kext_full", light),
        item("lp_horizontal", EXAMPLES.accumulated),
        item("curl_seated", EXAMPLES.accumulated),
      ],
      /One accumulated set a session/,
    ],
  ] as const)("%s is noted with what to do", (_, items, said) => {
    expect(words([...items])).toMatch(said);
  });

  test("calves may come early where they are the aim", () => {
    const early = [item("calf_seated", EXAMPLES.straight), item("hip_abd", EXAMPLES.straight)];
    expect(words(early, true)).toBe("");
  });
});

test("a session's time is warm-up, exercises, changeovers and logging; hard repetitions and balance add up", () => {
  const items = [item("lp_horizontal", EXAMPLES.straight), item("curl_seated", EXAMPLES.straight)];
  const t = scoreTotals(items);
  const one = repetitionSeconds({ sets: 3, reps: 10, tempo: TEMPO, setRestS: 90, sides: 1, inTurns: false });
  expect(t.seconds).toBe(300 + 2 * one + 60 + 2 * 15);
  expect(t.hard).toBe(18);
  expect(t.balance.totals.quads).toBe(9);
  expect(t.balance.hamsPerQuads).toBeCloseTo(1.25, 6);
});

test("a template holds only what fits, is in order, and fits the minutes, for every condition and phase", () => {
  const body = bodyFrom(72, 1.7);
  const machines = TEMPLATES.map((t) => ({ ...templateOf(t.family), id: t.family }));
  const every = CONDITIONS.flatMap((c) => c.phases.map((p) => phaseLimits(c, p, { week: p.weeks.from })));
  fc.assert(
    fc.property(
      fc.constantFrom(...every),
      fc.constantFrom("gym" as const, "home" as const),
      fc.constantFrom(20, 30, 45),
      (limits, place, minutes) => {
        const { rows } = rangeSheet({
          exercises: EXERCISES,
          machines,
          motion: { shortOfStraightDeg: null, bendDeg: null },
          goalIds: [],
          later: [],
          limits,
          body,
          strength: { extension: null, flexion: null },
          chair: chairRise(body) as ReferenceTask,
          tissue: "kneecap",
          capTimes: null,
          basis: { kind: "effort", share: 0.5 },
          weight: FREE_WEIGHT,
        });
        const items = sessionTemplate(rows, limits, { place, minutes });
        expect(new Set(items.map((i) => i.exercise.id)).size).toBe(items.length);
        for (const i of items) {
          expect(fitExercise(i.exercise, limits).status).not.toBe("blocked");
          expect(scheme.safeParse(i.scheme).success).toBe(true);
          if (place === "home") expect(i.exercise.home_ready).toBe(true);
          if (i.scheme.kind === "straight")
            expect(i.scheme.reserve).toBeGreaterThanOrEqual(Math.min(8, limits.effort.min_reps_in_reserve));
        }
        expect(orderNotes(items, { calves: false })).toEqual([]);
        if (items.length > 3) expect(scoreTotals(items).seconds).toBeLessThanOrEqual(minutes * 60);
      },
    ),
    { numRuns: 40 },
  );
});

test("a root is found to a billionth with few calls", () => {
  let calls = 0;
  const x = findRoot(
    (t) => {
      calls += 1;
      return Math.sin(t / 50) - 0.3;
    },
    -30,
    70,
  );
  expect(Math.sin(x / 50)).toBeCloseTo(0.3, 9);
  expect(calls).toBeLessThan(15);
});
