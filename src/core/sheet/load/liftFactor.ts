import type { Exercise } from "../../rules/exercises";
import { liftOf } from "../../selection/setUp/loadContext";
import { kFactorUnbounded, REPETITION_MULTIPLIER } from "../../strength/repetitionMaximum";
import { repetitionTarget, type Scheme } from "../schemes/scheme";

/** How much more or less of its maximum a lift allows for the same repetitions than the usual one. Dosing rules D2. */
export function liftFactor(e: Exercise, s: Scheme): number {
  const target = repetitionTarget(s);
  if (!target) return 1;
  const left = target.reps + target.reserve;
  return kFactorUnbounded(left) / kFactorUnbounded(left / REPETITION_MULTIPLIER[liftOf(e)]);
}
