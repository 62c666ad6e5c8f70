const SETUP_S = 30;
/** Getting the other leg ready. */
const SIDE_S = 10;

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

/** Time under tension of one side; the rest at the bottom does not count. Dosing rules H2. */
export const tensionPerSideS = (t: RepetitionTiming): number =>
  t.sets * t.reps * (t.tempo.liftS + t.tempo.topS + t.tempo.lowerS);

/** Seconds that an exercise takes. In turns one leg's set is the other's rest. Dosing rules H3. */
export function repetitionSeconds(t: RepetitionTiming): number {
  const setS = t.reps * (t.tempo.liftS + t.tempo.topS + t.tempo.lowerS + t.tempo.bottomS);
  const oneSide = t.sets * setS + (t.sets - 1) * t.setRestS;
  if (t.sides === 1) return SETUP_S + oneSide;
  if (!t.inTurns) return SETUP_S + 2 * (oneSide + SIDE_S);
  const leftOver = Math.max(0, t.setRestS - setS - 2 * SIDE_S);
  return SETUP_S + t.sets * 2 * (setS + SIDE_S) + (t.sets - 1) * leftOver;
}
