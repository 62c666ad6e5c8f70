import type { Exercise } from "../../rules/exercises";
import type { AllowedArc } from "../../selection/fit/allowedArc";
import { clamp } from "../../units/clamp";
import { ANGLE_STEP_DEG } from "../schemes/parts";

/** Where the knee's angle means something for a hold; standing and kneeling for balance or touch have none to choose. */
export const hasHoldAngle = (e: Exercise): boolean =>
  e.family !== "activation" &&
  (e.match.class === "open_knee_extension" ||
    e.match.class === "open_knee_flexion" ||
    e.match.class === "closed_knee" ||
    e.match.class === "closed_knee_flexion");

/** Usual angle of a hold (isometric guide of the exercise rules). */
const USUAL_DEG = 60;

/** The usual angle, or the nearest planned one inside the arc; null where the knee has none of its own or none is left. */
export function usualHoldDeg(e: Exercise, arc: AllowedArc): number | null {
  if (!hasHoldAngle(e)) return null;
  const least = Math.ceil(arc.fromDeg / ANGLE_STEP_DEG) * ANGLE_STEP_DEG;
  const most = Math.floor(arc.toDeg / ANGLE_STEP_DEG) * ANGLE_STEP_DEG;
  return least > most ? null : clamp(USUAL_DEG, least, most);
}
