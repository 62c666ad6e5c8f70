import type { HoldPattern } from "../../isometrics/simulateHolds";
import { SET_UP_S, SIDE_CHANGE_S } from "./timing";

/** Time under tension per side, s. */
export const timeUnderTensionS = (p: HoldPattern): number => p.sets * p.reps * p.holdS;

/** Seconds that holds take, both sides one after another if two. Dosing rules H3. */
export function exerciseSeconds(p: HoldPattern, sides: 1 | 2 = 1): number {
  const oneSide = timeUnderTensionS(p) + p.sets * (p.reps - 1) * p.restS + (p.sets - 1) * p.setRestS;
  return SET_UP_S + (sides === 2 ? 2 * oneSide + SIDE_CHANGE_S : oneSide);
}
