import type { Criterion } from "../../phases/phaseCriteria";
import { exerciseById } from "../../rules/exercises";
import { boundsOfRecord } from "../../rules/limitsOfRecord";
import type { LimitsRecord } from "../../rules/limitsRecord";
import { fitExercise } from "./fitExercise";

/** Tasks of exit criteria by their words, and the exercise that trains each. */
const TASKS: readonly (readonly [RegExp, string])[] = [
  [/chair|sit-to-stand|rises?\b/i, "sit_to_stand"],
  [/step-?downs?|down a step/i, "step_down_low"],
  [/stairs?|step-?ups?/i, "step_up"],
  [/single-leg squat/i, "single_squat_box"],
  [/hinge/i, "hinge_stick"],
  [/kneel/i, "kneel_high_pad"],
];

/** Said where a criterion asks for a task that the phase itself does not train; null elsewhere. Corrections K14. */
export function taskBarred(c: Criterion, limits: LimitsRecord): string | null {
  if (!c.isFunctional) return null;
  const task = TASKS.find(([words]) => words.test(c.words));
  const e = task && exerciseById(task[1]);
  if (!e || fitExercise(e, boundsOfRecord(limits, "this phase")).status !== "blocked") return null;
  return "this phase does not train it: tick it from daily life or a supervised test";
}
