export type TrialResult =
  | { status: "ok"; value: number; max: number; diffPct: number }
  | { status: "need-more"; value: null; diffPct: number | null }
  | { status: "unreliable"; value: number; max: number; diffPct: number };

const AGREE_PCT = 10;
const MOST_TRIALS = 4;

/**
 * The result of valid trials: the mean of the two best when they agree within 10 % of the larger; otherwise one more
 * trial, up to four; then the second best, marked unreliable. Dosing rules F6.
 */
export function pickTrials(values: readonly number[]): TrialResult {
  const sorted = [...values].sort((a, b) => b - a);
  const [best, second] = sorted;
  if (best === undefined || second === undefined) return { status: "need-more", value: null, diffPct: null };
  const diffPct = ((best - second) / best) * 100;
  if (diffPct <= AGREE_PCT) return { status: "ok", value: (best + second) / 2, max: best, diffPct };
  if (sorted.length < MOST_TRIALS) return { status: "need-more", value: null, diffPct };
  return { status: "unreliable", value: second, max: best, diffPct };
}
