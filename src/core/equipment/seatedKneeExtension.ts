import { z } from "zod";
import { GRAVITY_M_S2 } from "../units/mass";
import { loadSteps } from "./loadSteps";
import { cam, camFactor, EXTENSION_ARC, type LiftArc } from "./resistanceCurve";

/** The clinic's seated knee-extension machine as the core needs it. */
export const seatedKneeExtensionMachine = z.object({
  name: z.string().min(1).max(60),
  steps: loadSteps,
  /** lever: torque per newton of stack weight, m (cam radius included) */
  ratioM: z.number().min(0.05).max(1),
  cam,
  /** weight that the lever adds by itself, as stack, kg: calibration finds it */
  startLoadKg: z.number().min(-10).max(40).default(0),
  /** knee joint line to the middle of the shin pad */
  padDistanceM: z.number().min(0.1).max(0.42),
  /** friction of the lever as a share of its torque; a hold is between lifting and lowering */
  frictionShare: z.number().min(0).max(0.5),
  backrestDeg: z.number().min(80).max(150),
  /** knee flexion the lever can be fixed at */
  usableFromDeg: z.number().min(0).max(140),
  usableToDeg: z.number().min(0).max(140),
  /** angles are set at notches, every so many degrees */
  angleNotchDeg: z.number().min(1).max(30),
});
export type SeatedKneeExtensionMachine = z.infer<typeof seatedKneeExtensionMachine>;

export type LeverGeometry = Pick<SeatedKneeExtensionMachine, "ratioM" | "cam" | "frictionShare"> & {
  startLoadKg?: number;
};

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

/** The load (kg, before rounding to a real step) whose holding torque at this angle is `torqueNm`. */
export function loadForTorqueKg(geometry: LeverGeometry, torqueNm: number, kneeFlexionDeg: number): number {
  const perKgNm = GRAVITY_M_S2 * geometry.ratioM * camFactor(geometry.cam, kneeFlexionDeg, EXTENSION_ARC);
  return torqueNm / perKgNm - (geometry.startLoadKg ?? 0);
}
