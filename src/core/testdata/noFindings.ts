import type { ClientFindings } from "../phases/phaseCriteria";

/** A client in the first week of whom nothing was measured. */
export const NO_FINDINGS: ClientFindings = {
  weeks: 0,
  weeksInPhase: 0,
  extensionDeficitDeg: null,
  flexionDeg: null,
  swellingGrade: null,
  quadricepsLagDeg: null,
  quadricepsSymmetry: null,
  hamstringSymmetry: null,
  restingPain: null,
  functionalMet: [],
};
