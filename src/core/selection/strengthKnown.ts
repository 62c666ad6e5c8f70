import type { Body } from "../body/segments";
import { capacityNm, type TorqueAngleFit } from "../strength/fitTorqueAngle";
import { CURVE_SURE_FROM_DEG, CURVE_SURE_TO_DEG, torqueAngleShape } from "../strength/torqueAngleShape";

/** What the knee can give in each direction: fitted from tests, or null where nothing was measured. */
export interface KnownStrength {
  extension: TorqueAngleFit | null;
  flexion: TorqueAngleFit | null;
}

/** Peak torque per kilogram of body mass that stands in for a missing test [own, default]. */
const DEFAULT_NM_PER_KG = { extension: 1.2, flexion: 0.7 } as const;

export type Direction = keyof typeof DEFAULT_NM_PER_KG;

/** Torque the knee can give at an angle, N·m; null where the curve is doubtful (below 20°, above 100°): rows are not set by it. */
export function strengthAt(
  known: KnownStrength,
  body: Body,
  direction: Direction,
  kneeFlexionDeg: number,
): number | null {
  if (kneeFlexionDeg < CURVE_SURE_FROM_DEG || kneeFlexionDeg > CURVE_SURE_TO_DEG) return null;
  const fit = known[direction];
  if (fit) return capacityNm(fit, kneeFlexionDeg);
  const movement = direction === "extension" ? "knee_extension" : "knee_flexion";
  return DEFAULT_NM_PER_KG[direction] * body.massKg * torqueAngleShape(movement, kneeFlexionDeg);
}
