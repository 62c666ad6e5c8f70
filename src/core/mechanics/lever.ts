import { GRAVITY_M_S2 } from "../units/mass";
import { type Cam, camFactor, EXTENSION_ARC, type LiftArc } from "./camCurve";

/** A lever as physics needs it. */
export interface LeverGeometry {
  /** torque per newton of stack weight, m (cam radius included) */
  ratioM: number;
  cam: Cam;
  /** friction of the lever as a share of its torque; a hold is between lifting and lowering */
  frictionShare: number;
  /** weight that the lever adds by itself, as stack, kg: calibration finds it */
  startLoadKg?: number;
}

/**
 * Torque of the lever on one shin, N·m: stack weight x ratio x cam. `phase` +1 lifting, -1 lowering, 0 holding.
 * Source: mechanics rules 5.1.
 */
export function leverTorqueNm(
  geometry: LeverGeometry,
  loadKg: number,
  kneeFlexionDeg: number,
  phase: -1 | 0 | 1 = 0,
  share = 1,
  arc: LiftArc = EXTENSION_ARC,
): number {
  const factor = camFactor(geometry.cam, kneeFlexionDeg, arc);
  const weightN = (loadKg + (geometry.startLoadKg ?? 0)) * GRAVITY_M_S2;
  return weightN * geometry.ratioM * factor * (1 + phase * geometry.frictionShare) * share;
}
