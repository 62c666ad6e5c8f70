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
  /** functional criteria a therapist has ticked, in the words of the phase */
  functionalMet: readonly string[];
}

/** One session of tests often cannot tell whether a symmetry is reached; then the criterion is not met yet. */
export type CriterionState = "met" | "not met" | "cannot tell" | "not measured";

export interface Criterion {
  words: string;
  state: CriterionState;
  /** what was found, in words; null: not measured, or a therapist's tick */
  found: string | null;
  isFunctional: boolean;
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
    atLeast("weeks since the start", found.weeks, phase.weeks.to, ""),
    atLeast("weeks in this phase", found.weeksInPhase, c.min_weeks, ""),
    atMost("straightening deficit", found.extensionDeficitDeg, c.extension_deficit_max_deg, "°"),
    atLeast("bend", found.flexionDeg, c.flexion_min_deg, "°"),
    swellingMax === null
      ? null
      : {
          words: `swelling at most ${c.effusion_max}`,
          state: stateOf(found.swellingGrade, (g) => g <= swellingMax),
          found: found.swellingGrade === null ? null : (SWELLING_WORDS[found.swellingGrade] ?? null),
          isFunctional: false,
        },
    atMost("quadriceps lag", found.quadricepsLagDeg, c.quad_lag_max_deg, "°"),
    symmetric("quadriceps symmetry", found.quadricepsSymmetry, c.quad_symmetry_min_pct),
    symmetric("hamstring symmetry", found.hamstringSymmetry, c.hamstring_symmetry_min_pct),
    atMost("pain at rest and in daily life", found.restingPain, c.resting_or_adl_pain_max_0_10, " of 10"),
    ...c.functional.map(
      (words): Criterion => ({
        words,
        state: found.functionalMet.includes(words) ? "met" : "not measured",
        found: null,
        isFunctional: true,
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

const shown = (value: number | null, unit: string): string | null =>
  value === null ? null : `${Math.round(value)}${unit}`;

function bounded(
  words: string,
  value: number | null,
  unit: string,
  isMet: (value: number) => boolean,
): Criterion {
  return { words, state: stateOf(value, isMet), found: shown(value, unit), isFunctional: false };
}

const atMost = (what: string, value: number | null, most: number | null, unit: string): Criterion | null =>
  most === null ? null : bounded(`${what} at most ${most}${unit}`, value, unit, (v) => v <= most);

const atLeast = (what: string, value: number | null, least: number | null, unit: string): Criterion | null =>
  least === null ? null : bounded(`${what} at least ${least}${unit}`, value, unit, (v) => v >= least);

const BY_VERDICT: Record<Clear, CriterionState> = {
  "clearly at or above": "met",
  "clearly below": "not met",
  "cannot tell": "cannot tell",
};

/** By the same verdict as in Measure: one session's error is read. */
function symmetric(what: string, found: Symmetry | null, leastPct: number | null): Criterion | null {
  if (leastPct === null) return null;
  return {
    words: `${what} at least ${leastPct} %`,
    state: found ? BY_VERDICT[reaches(found, leastPct)] : "not measured",
    found: found
      ? `${Math.round(found.lsiPct)} %, one session tells ${Math.round(found.lowPct)} to ${Math.round(found.highPct)} %`
      : null,
    isFunctional: false,
  };
}
