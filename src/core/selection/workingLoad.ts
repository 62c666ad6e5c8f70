import type { AffineAngle } from "./affineArc";

/** Loads at which an exercise keeps under a moment at every angle; null when none does. */
export interface LoadSpan {
  least: number;
  most: number;
}

/** Heaviest load that is looked at, kg. */
export const MOST_LOAD_KG = 500;

/** Moment in the direction the exercise trains: +1 straightening, -1 bending. */
export const demandNm = (a: AffineAngle, load: number, sign: 1 | -1): number =>
  sign * (a.bare.kneeMomentNm + load * a.perUnit.knee);

/**
 * Which loads keep the trained moment at or below `capNm(deg)` at every angle. Moments are affine in the load; where
 * more load makes it lighter, as with a counterweight, the bound is from below.
 */
export function loadsUnder(
  angles: readonly AffineAngle[],
  sign: 1 | -1,
  capNm: (deg: number) => number | null,
): LoadSpan | null {
  let least = 0;
  let most = MOST_LOAD_KG;
  for (const a of angles) {
    const cap = capNm(a.deg);
    if (cap === null) continue;
    const slope = sign * a.perUnit.knee;
    const room = cap - sign * a.bare.kneeMomentNm;
    if (Math.abs(slope) < 1e-9) {
      if (room < 0) return null;
    } else if (slope > 0) most = Math.min(most, room / slope);
    else least = Math.max(least, room / slope);
  }
  return least <= most + 1e-9 ? { least, most: Math.max(least, most) } : null;
}
