import type { Phase } from "../rules/conditions";
import { SWELLING_WORDS } from "../units/fields";

/** What is known of a client, in the terms of a phase's exit criteria; null is "not measured". */
export interface ClientFindings {
  weeks: number;
  extensionDeficitDeg: number | null;
  flexionDeg: number | null;
  /** 0 none … 4 = 3+ */
  swellingGrade: number | null;
  quadricepsLagDeg: number | null;
  quadricepsSymmetryPct: number | null;
  hamstringSymmetryPct: number | null;
  restingPain: number | null;
  /** functional criteria a therapist has ticked, in the words of the phase */
  functionalMet: readonly string[];
}

export type CriterionState = "met" | "not met" | "not measured";

export interface Criterion {
  words: string;
  state: CriterionState;
}

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
  const criteria: (Criterion | null)[] = [
    atLeast("weeks", found.weeks, c.min_weeks ?? phase.weeks.to, ""),
    atMost("straightening deficit", found.extensionDeficitDeg, c.extension_deficit_max_deg, "°"),
    atLeast("bend", found.flexionDeg, c.flexion_min_deg, "°"),
    swellingMax === null
      ? null
      : {
          words: `swelling at most ${c.effusion_max}`,
          state: stateOf(found.swellingGrade, (g) => g <= swellingMax),
        },
    atMost("quadriceps lag", found.quadricepsLagDeg, c.quad_lag_max_deg, "°"),
    atLeast("quadriceps symmetry", found.quadricepsSymmetryPct, c.quad_symmetry_min_pct, " %"),
    atLeast("hamstring symmetry", found.hamstringSymmetryPct, c.hamstring_symmetry_min_pct, " %"),
    atMost("pain at rest and in daily life", found.restingPain, c.resting_or_adl_pain_max_0_10, " of 10"),
    ...c.functional.map(
      (words): Criterion => ({
        words,
        state: found.functionalMet.includes(words) ? "met" : "not measured",
      }),
    ),
  ];
  const asked = criteria.filter((x) => x !== null);
  return { criteria: asked, mayLeave: asked.every((x) => x.state === "met") };
}

function stateOf(value: number | null, isMet: (value: number) => boolean): CriterionState {
  if (value === null) return "not measured";
  return isMet(value) ? "met" : "not met";
}

const atMost = (what: string, value: number | null, most: number | null, unit: string): Criterion | null =>
  most === null ? null : { words: `${what} at most ${most}${unit}`, state: stateOf(value, (v) => v <= most) };

const atLeast = (what: string, value: number | null, least: number | null, unit: string): Criterion | null =>
  least === null
    ? null
    : { words: `${what} at least ${least}${unit}`, state: stateOf(value, (v) => v >= least) };
