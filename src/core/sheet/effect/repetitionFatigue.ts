import {
  FRESH as RESTED,
  type FatigueState as SetFatigue,
  SLOW_RECOVERY_RATE,
  SLOW_SHARE,
} from "../../isometrics/fatigueModel";
import { repetitionsPossible } from "../load/workingLoad";

// holds and repetitions tire one and the same state (dosing rules 0.3): in shares of the one-repetition maximum here
export { RESTED, type SetFatigue };

/** Recovery of the fast pool at rest, 1/s: the knee's rate times fifteen. */
const FAST_RECOVERY_RATE = 0.02235;
/** A repetition never costs less than this share of its load. */
const LEAST_COST = 1 / 40;

/** What one repetition at a share of the maximum costs. Dosing rules D5. */
export const repetitionCost = (shareOfMax: number): number =>
  Math.max((1 - shareOfMax) / repetitionsPossible(shareOfMax), shareOfMax * LEAST_COST);

const total = (s: SetFatigue): number => s.fast + s.slow;

/** Repetitions that are left at a share of the maximum. */
export const repetitionsLeft = (state: SetFatigue, shareOfMax: number): number =>
  (1 - shareOfMax - total(state)) / repetitionCost(shareOfMax);

/** `fraction`: of the range, for partial repetitions. */
export function afterRepetitions(
  state: SetFatigue,
  shareOfMax: number,
  reps: number,
  fraction = 1,
): SetFatigue {
  const cost = repetitionCost(shareOfMax) * reps * fraction;
  return { fast: state.fast + (1 - SLOW_SHARE) * cost, slow: state.slow + SLOW_SHARE * cost };
}

export const afterPause = (state: SetFatigue, seconds: number): SetFatigue => ({
  fast: state.fast * Math.exp(-FAST_RECOVERY_RATE * seconds),
  slow: state.slow * Math.exp(-SLOW_RECOVERY_RATE * seconds),
});

export interface DoneSet {
  reps: number;
  /** repetitions in reserve afterwards */
  reserve: number;
}

/** A repetition is hard when at most so many are left after it: a coaching unit, not a validated one [low]. */
const HARD_RESERVE = 4;

/** Hard repetitions of a set. Dosing rules D9. */
export const hardRepetitions = (reps: number, reserveAfter: number, hardReserve = HARD_RESERVE): number =>
  Math.max(0, Math.min(reps, Math.floor(hardReserve - reserveAfter) + 1));
