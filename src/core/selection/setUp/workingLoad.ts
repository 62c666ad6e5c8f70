import { dot, type Vector } from "../../mechanics/vector";
import type { AffineAngle } from "./affineArc";

/** Loads at which an exercise keeps under a moment at every angle; null when none does. */
export interface LoadSpan {
  least: number;
  most: number;
}

/** What two spans leave together; null where nothing is left. */
export function intersect(a: LoadSpan | null, b: LoadSpan | null): LoadSpan | null {
  if (!a || !b) return null;
  const [least, most] = [Math.max(a.least, b.least), Math.min(a.most, b.most)];
  return least <= most + 1e-9 ? { least, most: Math.max(least, most) } : null;
}

/**
 * Loads at which a force that grows evenly with them stays under so many newtons: |bare + load · perUnit| <= most is an
 * interval. Null where none does.
 */
export function spanOfForce(force: { bare: Vector; perUnit: Vector }, mostN: number): LoadSpan | null {
  const { bare, perUnit } = force;
  const a = dot(perUnit, perUnit);
  const b = 2 * dot(bare, perUnit);
  const c = dot(bare, bare) - mostN * mostN;
  if (a < 1e-12) return c <= 1e-6 ? { least: 0, most: Number.POSITIVE_INFINITY } : null;
  const root = b * b - 4 * a * c;
  if (root < 0) return null;
  const most = (-b + Math.sqrt(root)) / (2 * a);
  const least = Math.max(0, (-b - Math.sqrt(root)) / (2 * a));
  return most < 0 ? null : { least, most };
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
