/** Length of a walking-lunge step, and how long it takes [own, usual for adults]. */
export const STEP_LENGTH_M = 0.7;
export const STEP_S = 3;
