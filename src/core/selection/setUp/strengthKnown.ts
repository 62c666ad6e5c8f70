import { capacityNm, type TorqueAngleFit } from "../../strength/fitTorqueAngle";
import { CURVE_SURE_FROM_DEG, CURVE_SURE_TO_DEG, torqueAngleShape } from "../../strength/torqueAngleShape";
import type { StrengthBand, StrengthEstimate } from "../../strength/untestedStrength";

export type Direction = "extension" | "flexion";

/** What the leg can give: fitted from tests, measured at the hip, and what stands in where nothing was. */
export interface KnownStrength {
  extension: TorqueAngleFit | null;
  flexion: TorqueAngleFit | null;
  /** hip extension, the newest test's torque, N·m */
  hipExtensionNm: number | null;
  estimate: StrengthEstimate;
}

/** Strength at a place: one number where it was tested, else the low end, middle and high end of a band. */
export interface Strength extends StrengthBand {
  isTested: boolean;
}

const tested = (nm: number): Strength => ({ low: nm, middle: nm, high: nm, isTested: true });

/** Torque the knee can give at an angle, N·m; null where the curve is doubtful (below 20°, above 100°): no load is set by it. */
export function strengthAt(
  known: KnownStrength,
  direction: Direction,
  kneeFlexionDeg: number,
): Strength | null {
  if (kneeFlexionDeg < CURVE_SURE_FROM_DEG || kneeFlexionDeg > CURVE_SURE_TO_DEG) return null;
  const fit = known[direction];
  if (fit) return tested(capacityNm(fit, kneeFlexionDeg));
  const movement = direction === "extension" ? "knee_extension" : "knee_flexion";
  const shape = torqueAngleShape(movement, kneeFlexionDeg);
  const { low, middle, high } = known.estimate[direction];
  return { low: low * shape, middle: middle * shape, high: high * shape, isTested: false };
}

/** Torque the hip can give in straightening, N·m; the same at all angles for want of a curve. */
export const hipStrength = (known: KnownStrength): Strength =>
  known.hipExtensionNm === null ? { ...known.estimate.hip, isTested: false } : tested(known.hipExtensionNm);
