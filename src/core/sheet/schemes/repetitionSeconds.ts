import { SIDE_CHANGE_S } from "../time/timing";

/** Seconds of each part of a repetition. */
export interface Tempo {
  liftS: number;
  topS: number;
  lowerS: number;
  bottomS: number;
}

/** Seconds of a repetition with its pause, and those of them under tension. Dosing rules H2. */
export const repetitionS = (t: Tempo): number => t.liftS + t.topS + t.lowerS + t.bottomS;
export const repetitionTensionS = (t: Tempo): number => t.liftS + t.topS + t.lowerS;

/** What is left of a rest after the other leg's set and both changes of side. Dosing rules H3. */
export const restLeftInTurnsS = (restS: number, setS: number): number =>
  Math.max(0, restS - setS - 2 * SIDE_CHANGE_S);
