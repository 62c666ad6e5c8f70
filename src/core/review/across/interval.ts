import { LOW_END_Z as Z } from "../../capacity/shows";

/** A share with the range in which it lies four times in five. */
export interface Share {
  hits: number;
  of: number;
  low: number;
  high: number;
}

/** Share of so many that were hit, with its 80 % interval (Wilson's score, as it holds for few and for none). Null of nothing. */
export function shareOf(hits: number, of: number): Share | null {
  if (of === 0) return null;
  const p = hits / of;
  const spread = Z ** 2 / of;
  const middle = (p + spread / 2) / (1 + spread);
  const half = (Z / (1 + spread)) * Math.sqrt((p * (1 - p)) / of + spread / (4 * of));
  return { hits, of, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** A mean with the range in which it lies four times in five. */
export interface Mean {
  mean: number;
  low: number;
  high: number;
  of: number;
}

/** Mean of values with its 80 % interval; few values widen it (Student's t by its first expansion). Null of fewer than two. */
export function meanOf(values: readonly number[]): Mean | null {
  const of = values.length;
  if (of < 2) return null;
  const mean = values.reduce((sum, v) => sum + v, 0) / of;
  const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (of - 1);
  const t = Z + (Z ** 3 + Z) / (4 * (of - 1));
  const half = t * Math.sqrt(variance / of);
  return { mean, low: mean - half, high: mean + half, of };
}
