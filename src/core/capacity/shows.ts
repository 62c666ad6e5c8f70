import { type Belief, believed, type Looked, lookedAt } from "./filter";

/** Logarithm of a peak torque and its doubt, as people are shown it. */
export interface Shown {
  mean: number;
  sd: number;
}

/** Doubt of the model itself, added to what is not known of the leg. Rule L6. */
const MODEL_DOUBT = 0.05;

function shownBy(b: Belief, looked: Looked): Shown {
  const { mean, variance } = believed(b, looked);
  return { mean, sd: Math.sqrt(Math.max(0, variance) + MODEL_DOUBT ** 2) };
}

/** Peak torque that a station shows. */
export const shows = (b: Belief, stationId: string): Shown => shownBy(b, lookedAt(b, stationId));

/** Peak torque of the movement itself. */
export const peakOf = (b: Belief): Shown => shownBy(b, lookedAt(b, null));

/** How carefully a leg is loaded: strict while it is easily stirred up, and after surgery but in the last two phases. */
export type Care = "low" | "moderate" | "strict";

/** Most more of demand than what was done as planned: less after surgery and where a knee is easily stirred up. Rule L9 [own]. */
export const MOST_OVER_DONE = { low: 1.25, moderate: 1.25, strict: 1.15 } as const satisfies Record<
  Care,
  number
>;

/** While so much is doubted, the low end of nine in ten is taken. */
export const DOUBTED_FROM = 0.12;
export const LOW_END_Z = 1.28;
const Z: Readonly<Record<Care, number>> = { low: 0.5, moderate: 0.75, strict: 1 };

/** Standard deviations below the middle that a load is set by. Rule L6. */
export const zOf = (sd: number, care: Care): number => (sd > DOUBTED_FROM ? LOW_END_Z : Z[care]);

/** So far below the middle, but never below what was lately done: that is not doubted. Rule L6 [own]. */
export const lowOf = ({ mean, sd }: Shown, z: number, proved: number | null = null): number =>
  Math.exp(Math.max(mean - z * sd, Math.min(mean, proved ?? Number.NEGATIVE_INFINITY)));
