import type { Body } from "../body/segments";
import { toDegrees, toRadians } from "../units/clamp";
import { InputError } from "../units/inputError";

export interface LinkagePosture {
  thighDeg: number;
  shankDeg: number;
  /** hip to ankle along the rail, m */
  reachM: number;
}

/**
 * Thigh and shank between a hip and an ankle that moves on a straight rail: `railDeg` points from the hip to the feet,
 * `footOffsetM` is the ankle's distance from the rail's line through the hip. Source: mechanics rules 5.2.
 */
export function linkagePosture(
  body: Body,
  kneeFlexionDeg: number,
  railDeg: number,
  footOffsetM: number,
): LinkagePosture {
  const { thighLengthM: lt, shankLengthM: ls } = body;
  const span = Math.sqrt(lt * lt + ls * ls + 2 * lt * ls * Math.cos(toRadians(kneeFlexionDeg)));
  if (!(Math.abs(footOffsetM) < span))
    throw new InputError("footOffsetM", { code: "input.foot_out_of_reach" });
  const reachM = Math.sqrt(span * span - footOffsetM * footOffsetM);
  const cosAlpha = (lt * lt + span * span - ls * ls) / (2 * lt * span);
  const alpha = toDegrees(Math.acos(Math.max(-1, Math.min(1, cosAlpha))));
  const thighDeg = railDeg + toDegrees(Math.atan2(footOffsetM, reachM)) + alpha;
  return { thighDeg, shankDeg: thighDeg - kneeFlexionDeg, reachM };
}

/** Knee flexion at which hip and ankle are so far apart, degrees; null when the leg is too short or too long for it. */
export function flexionAtReachDeg(body: Body, reachM: number, footOffsetM: number): number | null {
  const { thighLengthM: lt, shankLengthM: ls } = body;
  const cos = (reachM * reachM + footOffsetM * footOffsetM - lt * lt - ls * ls) / (2 * lt * ls);
  return cos < -1 || cos > 1 ? null : toDegrees(Math.acos(cos));
}
