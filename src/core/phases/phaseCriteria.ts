import type { Phase } from "../rules/conditions";
import { type Clear, reaches, type Symmetry } from "../strength/symmetry";
import { SWELLING_WORDS } from "../units/fields";

/** What is known of a client, in the terms of a phase's exit criteria; null is "not measured". */
export interface ClientFindings {
  /** full weeks since surgery or onset, and since this phase was confirmed */
  weeks: number;
  weeksInPhase: number;
  extensionDeficitDeg: number | null;
  flexionDeg: number | null;
  /** 0 none … 4 = 3+ */
  swellingGrade: number | null;
  quadricepsLagDeg: number | null;
  quadricepsSymmetry: Symmetry | null;
  hamstringSymmetry: Symmetry | null;
  restingPain: number | null;
  /** functional criteria a therapist has ticked, by their ids */
  functionalMet: readonly string[];
}

/** One session of tests often cannot tell whether a symmetry is reached; then the criterion is not met yet. */
export type CriterionState = "met" | "not_met" | "cannot_tell" | "not_measured";

/** What is asked for before a phase is left. */
export type CriterionAsks =
  | { code: "phases.weeks_since_start"; least: number }
  | { code: "phases.weeks_in_phase"; least: number }
  | { code: "phases.straightening_deficit"; mostDeg: number }
  | { code: "phases.bend"; leastDeg: number }
  | { code: "phases.swelling"; most: number }
  | { code: "phases.quadriceps_lag"; mostDeg: number }
  | { code: "phases.quadriceps_symmetry"; leastPct: number }
  | { code: "phases.hamstring_symmetry"; leastPct: number }
  | { code: "phases.daily_pain"; most: number }
  | { code: "phases.can"; id: string };

/** What was found of it. */
export type CriterionFound =
  | { code: "phases.found_weeks"; weeks: number }
  | { code: "phases.found_degrees"; deg: number }
  | { code: "phases.found_swelling"; grade: number }
  | { code: "phases.found_percent"; pct: number }
  | { code: "phases.found_symmetry"; symmetry: Symmetry }
  | { code: "phases.found_pain"; pain: number };

export interface Criterion {
  asks: CriterionAsks;
  state: CriterionState;
  /** null: not measured, or a therapist's tick */
  found: CriterionFound | null;
}

/** A therapist judges it and ticks it; nothing measures it. */
export const isFunctional = (c: Criterion): boolean => c.asks.code === "phases.can";

/**
 * Each exit criterion of a phase against what was measured. A phase is left only when its weeks have come AND every
 * criterion is met; what is not measured is not met.
 */
export function exitCriteriaOf(
  phase: Phase,
  found: ClientFindings,
): { criteria: Criterion[]; mayLeave: boolean } {
  const c = phase.exit_criteria;
  const swellingMax = c.effusion_max === null ? null : SWELLING_WORDS.indexOf(c.effusion_max);
  const degrees = (deg: number): CriterionFound => ({ code: "phases.found_degrees", deg });
  const weeks = (n: number): CriterionFound => ({ code: "phases.found_weeks", weeks: n });
  const criteria: (Criterion | null)[] = [
    atLeast(phase.weeks.to, found.weeks, (least) => ({ code: "phases.weeks_since_start", least }), weeks),
    atLeast(c.min_weeks, found.weeksInPhase, (least) => ({ code: "phases.weeks_in_phase", least }), weeks),
    atMost(
      c.extension_deficit_max_deg,
      found.extensionDeficitDeg,
      (mostDeg) => ({ code: "phases.straightening_deficit", mostDeg }),
      degrees,
    ),
    atLeast(c.flexion_min_deg, found.flexionDeg, (leastDeg) => ({ code: "phases.bend", leastDeg }), degrees),
    atMost(
      swellingMax,
      found.swellingGrade,
      (most) => ({ code: "phases.swelling", most }),
      (grade) => ({ code: "phases.found_swelling", grade }),
    ),
    atMost(
      c.quad_lag_max_deg,
      found.quadricepsLagDeg,
      (mostDeg) => ({ code: "phases.quadriceps_lag", mostDeg }),
      degrees,
    ),
    symmetric("phases.quadriceps_symmetry", found.quadricepsSymmetry, c.quad_symmetry_min_pct),
    symmetric("phases.hamstring_symmetry", found.hamstringSymmetry, c.hamstring_symmetry_min_pct),
    atMost(
      c.resting_or_adl_pain_max_0_10,
      found.restingPain,
      (most) => ({ code: "phases.daily_pain", most }),
      (pain) => ({ code: "phases.found_pain", pain }),
    ),
    ...c.functional.map(
      (id): Criterion => ({
        asks: { code: "phases.can", id },
        state: found.functionalMet.includes(id) ? "met" : "not_measured",
        found: null,
      }),
    ),
  ];
  const asked = criteria.filter((x) => x !== null);
  return { criteria: asked, mayLeave: asked.every((x) => x.state === "met") };
}

type Asked = (bound: number) => CriterionAsks;
type Found = (value: number) => CriterionFound;

function bounded(
  bound: number | null,
  value: number | null,
  isMet: (value: number, bound: number) => boolean,
  asks: Asked,
  found: Found,
): Criterion | null {
  if (bound === null) return null;
  if (value === null) return { asks: asks(bound), state: "not_measured", found: null };
  return { asks: asks(bound), state: isMet(value, bound) ? "met" : "not_met", found: found(value) };
}

const atMost = (most: number | null, value: number | null, asks: Asked, found: Found) =>
  bounded(most, value, (v, b) => v <= b, asks, found);

const atLeast = (least: number | null, value: number | null, asks: Asked, found: Found) =>
  bounded(least, value, (v, b) => v >= b, asks, found);

const BY_VERDICT: Record<Clear, CriterionState> = {
  reached: "met",
  below: "not_met",
  cannot_tell: "cannot_tell",
};

/** By the same verdict as in Measure: one session's error is read. */
function symmetric(
  code: "phases.quadriceps_symmetry" | "phases.hamstring_symmetry",
  found: Symmetry | null,
  leastPct: number | null,
): Criterion | null {
  if (leastPct === null) return null;
  return {
    asks: { code, leastPct },
    state: found ? BY_VERDICT[reaches(found, leastPct)] : "not_measured",
    found: found && { code: "phases.found_symmetry", symmetry: found },
  };
}
