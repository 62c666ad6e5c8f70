import type { Exercise } from "../../rules/exercises";

/** An exercise as it is when it is held: the limits of holds count for it. */
export const heldForm = (e: Exercise): Exercise => ({ ...e, match: { ...e.match, static_hold: true } });
