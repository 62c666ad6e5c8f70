import { TYPICAL_ERROR_PCT } from "./measurementError";

export interface Symmetry {
  /** involved side as a share of the other, % */
  lsiPct: number;
  /** 95 % interval of one session */
  lowPct: number;
  highPct: number;
}

/** A ratio of two tests of one session each: ±2.77 typical errors of the ratio. */
const INTERVAL_FACTOR = 1.96 * Math.SQRT2;

/**
 * Limb symmetry index with the 95 % interval of one session; null when the other side is zero. The other side weakens
 * too after an injury: a good index against a weak leg says little. Dosing rules F1.
 */
export function limbSymmetry(
  involved: number,
  uninvolved: number,
  typicalErrorPct = TYPICAL_ERROR_PCT,
): Symmetry | null {
  if (!(uninvolved > 0)) return null;
  const lsiPct = (100 * involved) / uninvolved;
  const half = (INTERVAL_FACTOR * typicalErrorPct * lsiPct) / 100;
  return { lsiPct, lowPct: lsiPct - half, highPct: lsiPct + half };
}

export type Clear = "reached" | "below" | "cannot_tell";

/** Whether a symmetry reaches a wanted share: often one session cannot tell. */
export function reaches(s: Symmetry, wantedPct: number): Clear {
  if (s.lowPct >= wantedPct) return "reached";
  return s.highPct < wantedPct ? "below" : "cannot_tell";
}
