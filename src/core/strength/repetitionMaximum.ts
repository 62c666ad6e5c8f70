/** Sets that fit more repetitions than this are too light to say anything. */
const MOST_REPETITIONS = 40;

const epley = (r: number): number => 1 + r / 30;
const brzycki = (r: number): number => 36 / (37 - r);
const lombardi = (r: number): number => r ** 0.1;
const wathan = (r: number): number => 100 / (48.8 + 53.8 * Math.exp(-0.075 * r));

const meanOfFour = (r: number): number => (epley(r) + brzycki(r) + lombardi(r) + wathan(r)) / 4;
const meanOfTwo = (r: number): number => (epley(r) + wathan(r)) / 2;

/**
 * One-repetition maximum as a multiple of the load that allows so many repetitions; strictly rising from 1 to 40, null
 * above. Epley, Brzycki, Lombardi and Wathan; dosing rules D1.
 */
export function kFactor(reps: number): number | null {
  return reps > MOST_REPETITIONS ? null : kFactorUnbounded(reps);
}

/** The same without its end: a planned light load may lie beyond what a test may use. */
export function kFactorUnbounded(reps: number): number {
  if (reps <= 1) return 1;
  if (reps < 2) return 1 + (reps - 1) * (meanOfFour(2) - 1);
  if (reps <= 10) return meanOfFour(reps);
  if (reps >= 12) return meanOfTwo(reps);
  const share = (reps - 10) / 2;
  return (1 - share) * meanOfFour(reps) + share * meanOfTwo(reps);
}

export type RepetitionFlag = "ok" | "low-precision" | "screening-only" | "rir-unreliable" | "too_light";

export interface RepetitionMaximum {
  /** in the unit of the load; null when the set was too light */
  value: number | null;
  /** repetitions the set would have reached */
  reff?: number;
  /** half-width as a share of the value */
  error?: number;
  flag: RepetitionFlag;
}

/** Same percent of maximum allows more or fewer repetitions on these (Hoeger 1990 [medium]). */
export const REPETITION_MULTIPLIER = { leg_press: 1.5, leg_curl: 0.7, other: 1 } as const;
export type Lift = keyof typeof REPETITION_MULTIPLIER;

/**
 * Estimate of the one-repetition maximum from a set with repetitions in reserve. People understate their reserve by
 * about one, worse with many left: the error grows with both. Dosing rules D2.
 */
export function estimate1RM(
  load: number,
  reps: number,
  reserve: number,
  lift: Lift = "other",
): RepetitionMaximum {
  const reff = (reps + reserve) / REPETITION_MULTIPLIER[lift];
  const k = kFactor(reff);
  if (k === null) return { value: null, flag: "too_light" };
  const base = reff <= 6 ? 0.05 : reff <= 10 ? 0.08 : reff <= 15 ? 0.12 : 0.2;
  const error = base + 0.02 * Math.max(0, reserve - 1);
  const flag =
    reserve > 5 ? "rir-unreliable" : reff > 20 ? "screening-only" : reff > 12 ? "low-precision" : "ok";
  return { value: load * k, reff, error, flag };
}
