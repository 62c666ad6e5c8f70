import type { Exercise } from "../../rules/exercises";
import { liftOf } from "../../selection/setUp/loadContext";
import { kFactorUnbounded, REPETITION_MULTIPLIER } from "../../strength/repetitionMaximum";
import { repetitionTarget, type Scheme } from "../schemes/scheme";
import { repetitionsPossible } from "./workingLoad";

/** How much more or less of its maximum a lift allows for the same repetitions than the usual one. Dosing rules D2. */
export function liftFactor(e: Exercise, s: Scheme): number {
  const target = repetitionTarget(s);
  if (!target) return 1;
  const left = target.reps + target.reserve;
  return kFactorUnbounded(left) / kFactorUnbounded(left / REPETITION_MULTIPLIER[liftOf(e)]);
}

/**
 * A share of the maximum of this lift as the share of a usual one that allows as many repetitions: so that fatigue, reserve
 * and schemes are counted alike on all of them. Dosing rules D2.
 */
export function asUsualLift(e: Exercise, share: number): number {
  const m = REPETITION_MULTIPLIER[liftOf(e)];
  return m === 1 || share <= 0 || share >= 1 ? share : 1 / kFactorUnbounded(m * repetitionsPossible(share));
}
