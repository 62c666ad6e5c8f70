import fc from "fast-check";
import { SCALES } from "../bounds/scales";
import { CONDITIONS, CONFLICT_PAIRS, type Condition, conditionById } from "../rules/conditions";
import { EXERCISES, exerciseById } from "../rules/exercises";
import { GOALS } from "../rules/goals";
import { boundsOfRecord } from "../rules/limitsOfRecord";
import { type LimitsRecord, limitsRecord } from "../rules/limitsRecord";
import { CONSEQUENCES, RED_FLAGS, redFlagById } from "../rules/redFlags";
import { type Answer, questionsFor, screen } from "../screening/screening";
import { fitExercise } from "../selection/fit/fitExercise";
import { NO_FINDINGS } from "../testdata/noFindings";
import { combineConditions } from "./combineConditions";
import { mergeLimits } from "./mergeLimits";
import { type ClientFindings, exitCriteriaOf } from "./phaseCriteria";
import { phaseLimits } from "./phaseLimits";

/** Any condition in any phase and variant, with any stances, in any week. */
const anyPart = fc
  .tuple(
    fc.constantFrom(...CONDITIONS),
    fc.nat(),
    fc.nat(),
    fc.array(fc.nat(), { minLength: 6, maxLength: 6 }),
    fc.integer({ min: 0, max: 60 }),
  )
  .map(([condition, p, v, picks, week]) => {
    const phase = condition.phases[p % condition.phases.length] as Condition["phases"][number];
    const variantId = condition.variants[v % condition.variants.length]?.id;
    const choices = Object.fromEntries(
      condition.schools.map((s, i) => [
        s.id,
        s.options[(picks[i % 6] as number) % s.options.length]?.id ?? s.default,
      ]),
    );
    return { conditionId: condition.id, limits: phaseLimits(condition, phase, { variantId, choices, week }) };
  });

const rank = (scale: readonly string[], word: string) => scale.indexOf(word);
const bound = (x: number | null) => x ?? Number.POSITIVE_INFINITY;

/** Every way in which `a` is wider than `b`; empty when it is nowhere wider. */
function widerThan(a: LimitsRecord, b: LimitsRecord): string[] {
  const wider: [string, boolean][] = [
    ["bend min", a.knee_flexion_loaded_deg.min < b.knee_flexion_loaded_deg.min],
    ["bend max", a.knee_flexion_loaded_deg.max > b.knee_flexion_loaded_deg.max],
    [
      "open chain",
      rank(SCALES.openChain, a.open_chain_extension.rule) >
        rank(SCALES.openChain, b.open_chain_extension.rule),
    ],
    ["depth", a.closed_chain.max_depth_deg > b.closed_chain.max_depth_deg],
    ["closed load", bound(a.closed_chain.max_rel_load_pct) > bound(b.closed_chain.max_rel_load_pct)],
    ["one leg", a.closed_chain.single_leg_allowed && !b.closed_chain.single_leg_allowed],
    [
      "hamstrings",
      rank(SCALES.kneeFlexion, a.resisted_knee_flexion.rule) >
        rank(SCALES.kneeFlexion, b.resisted_knee_flexion.rule),
    ],
    [
      "weight bearing",
      rank(SCALES.weightBearing, a.weight_bearing) > rank(SCALES.weightBearing, b.weight_bearing),
    ],
    ["hip bend", a.hip.flexion_max_deg > b.hip.flexion_max_deg],
    ["midline", a.hip.adduction_past_midline && !b.hip.adduction_past_midline],
    ["back", a.lumbar.max_demand_0_3 > b.lumbar.max_demand_0_3],
    ["back bending", !a.lumbar.avoid_loaded_flexion && b.lumbar.avoid_loaded_flexion],
    ["shoulders", rank(SCALES.axial, a.axial_load_max) > rank(SCALES.axial, b.axial_load_max)],
    ["kneeling", rank(SCALES.kneeling, a.kneeling) > rank(SCALES.kneeling, b.kneeling)],
    ["effort", a.effort.max_rpe_0_10 > b.effort.max_rpe_0_10],
    ["pain", a.pain.max_joint_pain_during_0_10 > b.pain.max_joint_pain_during_0_10],
    ["blocked", b.exercises_blocked.some((id) => !a.exercises_blocked.includes(id))],
    ["machines", a.machines === "free" && b.machines !== "free"],
  ];
  const [x, y] = [a.open_chain_extension, b.open_chain_extension];
  if (x.rule === "arc" || x.rule === "free")
    wider.push(["arc", (x.from_deg ?? 0) > (y.from_deg ?? 0) || (x.to_deg ?? 0) < (y.to_deg ?? 0)]);
  return wider.filter(([, is]) => is).map(([what]) => what);
}

describe("merging limits", () => {
  test("never widens either side", () => {
    fc.assert(
      fc.property(anyPart, anyPart, (a, b) => {
        const merged = mergeLimits(a.limits, b.limits);
        expect(limitsRecord.safeParse(merged).success).toBe(true);
        expect(widerThan(merged, a.limits)).toEqual([]);
        expect(widerThan(merged, b.limits)).toEqual([]);
      }),
      { numRuns: 600 },
    );
  });

  test("comes out nowhere wider for three conditions in any order, conflicts included", () => {
    fc.assert(
      fc.property(anyPart, anyPart, anyPart, (a, b, c) => {
        for (const order of [
          [a, b, c],
          [c, a, b],
          [b, c, a],
        ]) {
          const { limits } = combineConditions(order);
          for (const part of [a, b, c]) expect(widerThan(limits, part.limits)).toEqual([]);
        }
      }),
      { numRuns: 200 },
    );
  });

  test("with itself changes nothing that bounds", () => {
    fc.assert(
      fc.property(anyPart, ({ limits }) => {
        const merged = mergeLimits(limits, limits);
        expect(widerThan(limits, merged)).toEqual([]);
        expect(widerThan(merged, limits)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  test("an exercise barred by one condition is never let in by a second", () => {
    fc.assert(
      fc.property(anyPart, anyPart, fc.constantFrom(...EXERCISES), (a, b, exercise) => {
        if (fitExercise(exercise, boundsOfRecord(a.limits, "a")).status !== "blocked") return;
        expect(fitExercise(exercise, boundsOfRecord(mergeLimits(a.limits, b.limits), "both")).status).toBe(
          "blocked",
        );
      }),
      { numRuns: 2000 },
    );
  });

  test("opposite ligament rules together leave no open-chain work and ask a specialist", () => {
    const part = (id: string) => {
      const condition = conditionById(id) as Condition;
      return {
        conditionId: id,
        limits: phaseLimits(
          condition,
          condition.phases[condition.phases.length - 1] as Condition["phases"][number],
        ),
      };
    };
    const { limits, conflicts } = combineConditions([part("acl_reconstruction"), part("pcl_injury")]);
    expect(limits.open_chain_extension.rule).toBe("none");
    expect(limits.resisted_knee_flexion.rule).toBe("none");
    expect(conflicts.map((c) => c.ask)).toEqual(["specialist"]);
  });
});

/** The phase whose weeks a week falls into. */
function phaseByWeek(condition: Condition, week: number): Condition["phases"][number] | undefined {
  const begun = [...condition.phases]
    .sort((a, b) => a.weeks.from - b.weeks.from)
    .filter((p) => week >= p.weeks.from);
  return begun.at(-1) ?? condition.phases[0];
}

describe("phases", () => {
  test("every week gives exactly one phase of every condition, later weeks never an earlier one", () => {
    for (const condition of CONDITIONS) {
      let before = -1;
      for (let week = 0; week <= 120; week++) {
        const at = condition.phases.indexOf(phaseByWeek(condition, week) as Condition["phases"][number]);
        expect(at).toBeGreaterThanOrEqual(before);
        before = at;
      }
      expect(before).toBe(condition.phases.length - 1);
    }
  });

  test("a schedule opens the arc week by week and never ahead of its week", () => {
    const acl = conditionById("acl_reconstruction") as Condition;
    const phase = acl.phases.find((p) => p.id === "p3") as Condition["phases"][number];
    const toAt = (week: number) =>
      phaseLimits(acl, phase, {
        variantId: "patellar_tendon_graft",
        choices: { oc_extension: "progressive" },
        week,
      }).open_chain_extension.to_deg;
    expect([4, 5, 6, 7, 8].map(toAt)).toEqual([45, 30, 20, 10, 0]);
  });

  test("weeks alone never open a phase that asks for anything else", () => {
    for (const condition of CONDITIONS)
      for (const phase of condition.phases.slice(0, -1)) {
        const { criteria, mayLeave } = exitCriteriaOf(phase, {
          ...NO_FINDINGS,
          weeks: 500,
          weeksInPhase: 500,
        });
        if (
          criteria.some((c) => !["phases.weeks_since_start", "phases.weeks_in_phase"].includes(c.asks.code))
        )
          expect(mayLeave).toBe(false);
      }
  });

  test("with everything measured and met a phase may be left; one worse value keeps it", () => {
    const acl = conditionById("acl_reconstruction") as Condition;
    const phase = acl.phases[1] as Condition["phases"][number];
    const good: ClientFindings = {
      weeks: 100,
      weeksInPhase: 100,
      extensionDeficitDeg: 0,
      flexionDeg: 140,
      swellingGrade: 0,
      quadricepsLagDeg: 0,
      quadricepsSymmetry: { lsiPct: 100, lowPct: 100, highPct: 100 },
      hamstringSymmetry: { lsiPct: 100, lowPct: 100, highPct: 100 },
      restingPain: 0,
      functionalMet: phase.exit_criteria.functional,
    };
    expect(exitCriteriaOf(phase, good).mayLeave).toBe(true);
    expect(exitCriteriaOf(phase, { ...good, swellingGrade: 4 }).mayLeave).toBe(false);
    expect(exitCriteriaOf(phase, { ...good, weeks: 0 }).mayLeave).toBe(false);
    expect(exitCriteriaOf(phase, { ...good, weeksInPhase: 0 }).mayLeave).toBe(
      phase.exit_criteria.min_weeks === null,
    );
    const missing = exitCriteriaOf(phase, { ...good, swellingGrade: null });
    expect(missing.criteria.some((c) => c.state === "not_measured")).toBe(true);
    expect(missing.mayLeave).toBe(false);
  });
});

describe("screening", () => {
  const anyAnswers = fc.array(
    fc.record({
      questionId: fc.constantFrom(...RED_FLAGS.map((f) => f.id)),
      answer: fc.constantFrom<Answer>("no", "yes", "unsure"),
      escalations: fc.constant([] as string[]),
    }),
    { maxLength: 45 },
  );

  test("every set of answers gives exactly one consequence, and one more yes never a milder one", () => {
    const order = (c: string | null) =>
      c === null ? CONSEQUENCES.length : CONSEQUENCES.indexOf(c as "stop_send_now");
    fc.assert(
      fc.property(anyAnswers, fc.constantFrom(...RED_FLAGS), (answers, extra) => {
        const before = screen(RED_FLAGS, answers);
        const after = screen(RED_FLAGS, [...answers, { questionId: extra.id, answer: "yes" }]);
        const wasNo = !answers.some((a) => a.questionId === extra.id && a.answer !== "no");
        if (wasNo) expect(order(after.consequence)).toBeLessThanOrEqual(order(before.consequence));
        expect(before.positive.every((p) => order(p.consequence) >= order(before.consequence))).toBe(true);
      }),
    );
  });

  test("unsure counts as yes", () => {
    const flag = RED_FLAGS[0];
    if (!flag) throw new Error("no questions");
    const of = (answer: Answer) => screen([flag], [{ questionId: flag.id, answer }]).consequence;
    expect(of("unsure")).toBe(of("yes"));
    expect(of("no")).toBeNull();
  });

  test("an escalation sharpens the consequence and its time", () => {
    const locking = redFlagById("rf_locking");
    if (!locking) throw new Error("no such question");
    const plain = screen([locking], [{ questionId: locking.id, answer: "yes" }]);
    const now = screen([locking], [{ questionId: locking.id, answer: "yes", escalations: ["locked now"] }]);
    expect(plain.consequence).toBe("hold_ask_physician");
    expect(now).toMatchObject({ consequence: "stop_send_now", positive: [{ timeFrame: "same day" }] });
  });

  test("a missing answer is counted; a caution is no more than that", () => {
    const caution = RED_FLAGS.find((f) => f.consequence_if_yes === "proceed_with_caution");
    if (!caution) throw new Error("no caution in the list");
    expect(screen([caution], []).unanswered).toEqual([caution]);
    expect(screen([caution], [{ questionId: caution.id, answer: "yes" }])).toMatchObject({
      consequence: "proceed_with_caution",
      unanswered: [],
    });
  });

  test("a client is asked for the condition, the region and in general; after surgery for more", () => {
    for (const condition of CONDITIONS) {
      const usual = questionsFor(condition, false).map((q) => q.id);
      const postOp = questionsFor(condition, true).map((q) => q.id);
      for (const id of condition.redflag_ids) expect(usual).toContain(id);
      expect(postOp.length).toBeGreaterThan(usual.length - 1);
      expect(new Set(postOp).size).toBe(postOp.length);
    }
  });
});

describe("the rule data refer to what is there", () => {
  test("overrides name phases, defaults name options, warning signs and conflicts name entries", () => {
    for (const c of CONDITIONS) {
      const phases = new Set(c.phases.map((p) => p.id));
      for (const v of c.variants)
        for (const id of Object.keys(v.phase_overrides)) expect(phases).toContain(id);
      for (const s of c.schools) {
        expect(s.options.map((o) => o.id)).toContain(s.default);
        for (const o of s.options)
          for (const id of Object.keys(o.phase_overrides)) expect(phases).toContain(id);
      }
      for (const id of c.redflag_ids) expect(redFlagById(id)?.id).toBe(id);
    }
    for (const pair of CONFLICT_PAIRS)
      expect([conditionById(pair.a)?.id, conditionById(pair.b)?.id]).toEqual([pair.a, pair.b]);
  });

  test("exercises link to exercises, goals to families", () => {
    for (const e of EXERCISES)
      for (const id of [e.easier_id, e.harder_id, e.home_substitute_id])
        if (id) expect(exerciseById(id)?.id).toBe(id);
    const families = new Set(EXERCISES.map((e) => e.family));
    for (const g of GOALS) for (const f of g.exercise_families) expect(families).toContain(f);
  });
});
