/** Seconds of everything around the work itself, the same for every scheme. Dosing rules H3. */
export const SET_UP_S = 30;
/** Getting the other leg ready. */
export const SIDE_CHANGE_S = 10;
export const WARM_UP_S = 300;
/** From one exercise to the next, on another machine. */
export const CHANGEOVER_S = 60;
/** From one to the other of exercises that share their rests: another machine, or the same one [own]. */
export const MOVE_S = 20;
export const MOVE_SAME_MACHINE_S = 10;
export const LOGGING_S = 15;
