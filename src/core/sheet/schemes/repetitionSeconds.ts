import { SET_UP_S, SIDE_CHANGE_S } from "../time/timing";

/** Seconds of each part of a repetition. */
export interface Tempo {
  liftS: number;
  topS: number;
  lowerS: number;
  bottomS: number;
}

export interface RepetitionTiming {
  sets: number;
  reps: number;
  tempo: Tempo;
  setRestS: number;
  sides: 1 | 2;
  /** one side after the other, or set by set in turns */
  inTurns: boolean;
}

/** Seconds of a repetition with its pause, and those of them under tension. Dosing rules H2. */
export const repetitionS = (t: Tempo): number => t.liftS + t.topS + t.lowerS + t.bottomS;
export const repetitionTensionS = (t: Tempo): number => t.liftS + t.topS + t.lowerS;

/** Time under tension of one side; the rest at the bottom does not count. Dosing rules H2. */
export const tensionPerSideS = (t: RepetitionTiming): number => t.sets * t.reps * repetitionTensionS(t.tempo);

/** What is left of a rest after the other leg's set and both changes of side. Dosing rules H3. */
export const restLeftInTurnsS = (restS: number, setS: number): number =>
  Math.max(0, restS - setS - 2 * SIDE_CHANGE_S);

/** Seconds that an exercise takes. In turns one leg's set is the other's rest. Dosing rules H3. */
export function repetitionSeconds(t: RepetitionTiming): number {
  const setS = t.reps * repetitionS(t.tempo);
  const oneSide = t.sets * setS + (t.sets - 1) * t.setRestS;
  if (t.sides === 1) return SET_UP_S + oneSide;
  if (!t.inTurns) return SET_UP_S + 2 * (oneSide + SIDE_CHANGE_S);
  return SET_UP_S + t.sets * 2 * (setS + SIDE_CHANGE_S) + (t.sets - 1) * restLeftInTurnsS(t.setRestS, setS);
}
