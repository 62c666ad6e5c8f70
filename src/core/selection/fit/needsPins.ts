import type { Exercise } from "../../rules/exercises";

const PINS = /depth stop|safety (pin|catch|handle)/i;

/** Whether something can come down on the client: then pins, catches or a depth stop are looked at before the first set. */
export const needsPins = (e: Pick<Exercise, "setup_checks" | "id">): boolean =>
  e.id === "calf_press" || e.setup_checks.some((check) => PINS.test(check));
