import type { Criterion } from "../../phases/phaseCriteria";
import { trainsCriterion } from "../../rules/criteria";
import { exerciseById } from "../../rules/exercises";
import { boundsOfRecord } from "../../rules/limitsOfRecord";
import type { LimitsRecord } from "../../rules/limitsRecord";
import type { Said } from "../../units/said";
import { fitExercise } from "./fitExercise";

/** Said where a criterion asks for a task that the phase itself does not train; null elsewhere. Corrections K14. */
export function taskBarred(c: Criterion, limits: LimitsRecord): Said | null {
  const trainedBy = c.asks.code === "phases.can" ? trainsCriterion(c.asks.id) : null;
  const e = trainedBy && exerciseById(trainedBy);
  if (!e || fitExercise(e, boundsOfRecord(limits, "this phase")).status !== "blocked") return null;
  return { code: "fit.not_trained" };
}
