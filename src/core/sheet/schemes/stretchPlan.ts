const LEAST_CHUNK_S = 10;
/** Between the holds of a stretch, s. */
export const STRETCH_BREAK_S = 10;

export interface StretchPlan {
  holds: number;
  eachS: number;
  totalS: number;
  /** with breaks */
  seconds: number;
  flag: "ok" | "reduce_range";
}

/** A stretch's total in holds that are tolerated, with short breaks. Dosing rules H1. */
export function stretchPlan(totalS: number, toleratedS: number): StretchPlan {
  if (toleratedS < LEAST_CHUNK_S) return { holds: 0, eachS: 0, totalS: 0, seconds: 0, flag: "reduce_range" };
  const holds = Math.ceil(totalS / toleratedS);
  const eachS = Math.min(toleratedS, Math.ceil(totalS / holds / 5) * 5);
  return {
    holds,
    eachS,
    totalS: holds * eachS,
    seconds: holds * eachS + (holds - 1) * STRETCH_BREAK_S,
    flag: "ok",
  };
}
