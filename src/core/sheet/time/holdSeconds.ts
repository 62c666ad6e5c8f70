import type { HoldPattern } from "../../isometrics/simulateHolds";
import { CHANGEOVER_S, LOGGING_S, SET_UP_S, SIDE_CHANGE_S, WARM_UP_S } from "./timing";

/** Time under tension per side, s. */
export const timeUnderTensionS = (p: HoldPattern): number => p.sets * p.reps * p.holdS;

/** Seconds that holds take, both sides one after another if two. Dosing rules H3. */
export function exerciseSeconds(p: HoldPattern, sides: 1 | 2 = 1): number {
  const oneSide = timeUnderTensionS(p) + p.sets * (p.reps - 1) * p.restS + (p.sets - 1) * p.setRestS;
  return SET_UP_S + (sides === 2 ? 2 * oneSide + SIDE_CHANGE_S : oneSide);
}

/** Seconds of a whole session: warm-up, exercises, changeovers between them, logging. Dosing rules H3. */
export function sessionSeconds(exercisesS: readonly number[]): number {
  const work = exercisesS.reduce((a, b) => a + b, 0);
  return WARM_UP_S + work + CHANGEOVER_S * Math.max(0, exercisesS.length - 1) + LOGGING_S * exercisesS.length;
}
