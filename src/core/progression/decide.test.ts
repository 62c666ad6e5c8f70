import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { anyDecision } from "../testdata/anyDecision";
import { decide } from "./decide";
import { type DecisionInput, decisionInput } from "./decisionInput";
import { performanceRule } from "./performanceRule";
import type { Action } from "./safetyRules";
import { stepSizes } from "./stepSizes";

const STRICTNESS: Record<Action, number> = { PROGRESS: 0, HOLD: 1, REGRESS: 2, STOP_REFER: 3 };
const strictness = (i: DecisionInput) => STRICTNESS[decide(i).action];

test("every input gives one action with at least one reason in words", () => {
  fc.assert(
    fc.property(anyDecision, (i) => {
      const d = decide(decisionInput.parse(i));
      expect(d.reasons.length).toBeGreaterThan(0);
      for (const r of [...d.reasons, ...d.also]) {
        expect(sayPlainly(r.why)).not.toMatch(/NaN|null|undefined/);
        expect(sayPlainly(r.why).length).toBeGreaterThan(8);
      }
      expect(d.rules).toEqual(d.reasons.map((r) => r.id));
    }),
    { numRuns: 1500 },
  );
});

/** The ordered inputs: more of it is worse. Swelling is ordered while the grade before is kept. */
const ORDERED = ["painDuring", "painAfter", "painMorning", "effusion", "weekTrend"] as const;

test("worsening any ordered input never loosens the decision", () => {
  fc.assert(
    fc.property(anyDecision, fc.constantFrom(...ORDERED), (i, field) => {
      const now = i[field];
      const most = field === "effusion" ? 4 : 10;
      if (now === null || now >= most) return;
      // a grade that was higher before and is coming down is compared with itself only
      if (field === "effusion" && (i.effusionBefore ?? 0) > now) return;
      const worse = { ...i, [field]: Math.floor(now) + 1 };
      expect(strictness(worse)).toBeGreaterThanOrEqual(strictness(i));
    }),
    { numRuns: 1500 },
  );
});

test("a warning sign, lost technique and a shorter range never loosen it", () => {
  fc.assert(
    fc.property(anyDecision, (i) => {
      expect(strictness({ ...i, redFlag: true })).toBe(3);
      expect(strictness({ ...i, techniqueStop: true })).toBeGreaterThanOrEqual(
        strictness({ ...i, techniqueStop: false }),
      );
      if (i.rangePct !== null)
        expect(strictness({ ...i, rangePct: i.rangePct - 10 })).toBeGreaterThanOrEqual(strictness(i));
    }),
    { numRuns: 1000 },
  );
});

test("after surgery is never looser than a school, pain-free never looser than monitored, a written limit never looser than none", () => {
  fc.assert(
    fc.property(anyDecision, (i) => {
      const of = (school: DecisionInput["school"]) => strictness({ ...i, school });
      expect(of("post_op")).toBeGreaterThanOrEqual(of("monitoring"));
      expect(of("post_op")).toBeGreaterThanOrEqual(of("pain_free"));
      expect(of("pain_free")).toBeGreaterThanOrEqual(of("monitoring"));
      expect(strictness(i)).toBeGreaterThanOrEqual(strictness({ ...i, writtenPainLimit: null }));
    }),
    { numRuns: 1200 },
  );
});

test("what is missing never progresses anybody", () => {
  fc.assert(
    fc.property(
      anyDecision,
      fc.constantFrom("painDuring", "painAfter", "painMorning", "rangePct"),
      (i, field) => {
        expect(decide({ ...i, [field]: null }).action).not.toBe("PROGRESS");
      },
    ),
    { numRuns: 1000 },
  );
});

test("all 64 performance combinations give exactly one row", () => {
  const rows = new Set<string>();
  for (const repsState of ["below", "in", "top", "unknown"] as const)
    for (const rir of [0, 2, 5, null])
      for (const missedBefore of [true, false])
        for (const satisfiedStreak of [1, 2]) {
          const sample = fc.sample(anyDecision, { numRuns: 1, seed: 1 })[0] as DecisionInput;
          const i = { ...sample, repsState, rir, rirTarget: 2, missedBefore, satisfiedStreak };
          rows.add(performanceRule(i, stepSizes("monitoring", "moderate")).id);
        }
  expect([...rows].sort()).toEqual(["P0", "P1", "P2", "P3", "P4", "P5", "P6", "P7", "P8", "P9"]);
});

test("three more left than aimed at, the load was far too light and steps at once, whatever was banked (P2)", () => {
  const base = fc.sample(anyDecision, { numRuns: 1, seed: 1 })[0] as DecisionInput;
  const at = (rir: number, irritability: "low" | "high" = "low") =>
    performanceRule(
      { ...base, repsState: "in", rir, rirTarget: 2, satisfiedStreak: 1 },
      stepSizes("monitoring", irritability),
    ).id;
  expect([at(4), at(5), at(9), at(6, "high")]).toEqual(["P4", "P9", "P9", "P9"]);
  // all of the planned seconds of a hold come first, however easy they are
  const held = { ...base, repsState: "in" as const, rir: 9, rirTarget: 2, satisfiedStreak: 1, isHeld: true };
  expect(performanceRule(held, stepSizes("monitoring", "low")).id).toBe("P4");
});

test("who never says what is left goes on by what was done, a visit later than others and by the smallest step (P10)", () => {
  const base = fc.sample(anyDecision, { numRuns: 1, seed: 1 })[0] as DecisionInput;
  const sizes = stepSizes("monitoring", "moderate");
  const at = (satisfiedStreak: number, rir: number | null = null) =>
    performanceRule({ ...base, repsState: "top", rir, rirTarget: 2, satisfiedStreak }, sizes).id;
  const due = sizes.sessionsPerStep;
  expect([at(due), at(due + 1)]).toEqual(["P5", "P10"]);
  expect(at(due + 1, 0)).toBe("P5");
});

/** A good session: everything known, nothing against it, enough of them. */
const GOOD: DecisionInput = {
  school: "monitoring",
  irritability: "low",
  redFlag: false,
  techniqueStop: false,
  prevRegress: false,
  missedBefore: false,
  satisfiedStreak: 3,
  usualPain: 1,
  painBefore: 1,
  painDuring: 1,
  painAfter: 1,
  painMorning: 1,
  effusion: 0,
  effusionBefore: 0,
  effusionApplies: true,
  rangePct: 100,
  weekTrend: 0,
  repsState: "top",
  rir: 3,
  rirTarget: 3,
};

describe("corrections K8", () => {
  const good = GOOD;

  test("a good session steps up; the same without the pain before it stays and says what is missing", () => {
    expect(decide(good).action).toBe("PROGRESS");
    const found = decide({ ...good, painBefore: null });
    expect(found).toMatchObject({ action: "HOLD", rules: ["H9"] });
    expect(found.reasons[0]?.why).toMatchObject({ facts: expect.arrayContaining(["pain_before"]) });
  });

  test("a missing first pain counts as the usual pain", () => {
    const sore = { ...good, painBefore: null, painAfter: 6, usualPain: 2 };
    expect(decide(sore).rules).toContain("R3");
    const later = decide({ ...good, school: "post_op", painBefore: null, painAfter: 2, usualPain: 1 });
    expect(later.reasons.map((r) => r.why)).toContainEqual(
      expect.objectContaining({ code: "progression.pain_after", before: 1, isUsual: true }),
    );
    expect(decide({ ...sore, usualPain: 6 }).rules).not.toContain("R3");
  });

  test("swelling at 1+ holds whether it stood or fell; at 2+ it steps back", () => {
    for (const effusionBefore of [2, 3, 4])
      expect(decide({ ...good, effusion: 2, effusionBefore })).toMatchObject({
        action: "HOLD",
        rules: ["H4"],
      });
    expect(decide({ ...good, effusion: 3, effusionBefore: 4 }).action).toBe("REGRESS");
  });

  test("after surgery more swelling alone steps back and is told the therapist today", () => {
    const swollen = decide({ ...good, school: "post_op", effusion: 1 });
    expect(swollen).toMatchObject({ action: "REGRESS", rules: ["R5"], tellsTherapist: true });
    expect(decide({ ...good, effusion: 1 })).toMatchObject({ action: "HOLD", tellsTherapist: false });
    expect(decide({ ...good, school: "post_op" }).tellsTherapist).toBe(false);
  });

  test("less range alone is answered by range; with anything else against it the load goes back too", () => {
    expect(decide({ ...good, rangePct: 80 }).change).toEqual({ rangeDeg: -15, load: 0 });
    for (const over of [
      { painMorning: 2 },
      { techniqueStop: true },
      { painMorning: null },
      { painMorning: 3 },
    ])
      expect(decide({ ...good, rangePct: 80, ...over }).change.loadPct).toBeLessThan(0);
  });
});

describe("rules that the trial changed", () => {
  const good = GOOD;

  test("pain that rises from week to week counts only above what is usual (R8, H7)", () => {
    const rises = { ...good, usualPain: 3, weekTrend: 1.2 };
    expect(decide({ ...rises, weekMean: 2.5 }).action).toBe("PROGRESS");
    expect(decide({ ...rises, weekMean: 3.5 })).toMatchObject({ action: "HOLD", rules: ["H7"] });
    expect(decide({ ...rises, weekMean: 3.5, irritability: "moderate" }).rules).toContain("R8");
    expect(decide({ ...rises, weekMean: 2.5, irritability: "moderate" }).rules).not.toContain("R8");
  });

  test("a visit as large as what this joint takes holds the lines that load it (H11)", () => {
    expect(decide({ ...good, room: { dose: 5.9, most: 6 } }).action).toBe("PROGRESS");
    expect(decide({ ...good, room: { dose: 6, most: 6 } })).toMatchObject({ action: "HOLD", rules: ["H11"] });
    expect(decide({ ...good, room: null }).action).toBe("PROGRESS");
  });

  test("all done and nobody said how it was counts towards the next step; said to be too hard does not (P5)", () => {
    expect(decide({ ...good, rir: null, satisfiedStreak: 1 })).toMatchObject({
      rules: ["P5"],
      change: { bank: 1 },
    });
    expect(decide({ ...good, rir: 0, satisfiedStreak: 1 })).toMatchObject({ rules: ["P5"], change: {} });
  });
});
