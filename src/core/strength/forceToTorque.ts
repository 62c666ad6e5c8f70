import { limbGravityTorqueNm } from "../body/limbGravity";
import type { Body } from "../body/segments";
import { toRadians } from "../units/clamp";
import { requireWithin } from "../units/inputError";
import type { KneeMovement } from "./torqueAngleShape";

export interface ForceAtLever {
  movement: KneeMovement;
  forceN: number;
  leverArmM: number;
  /** angle between the pull and the shin; 90 when square to it */
  pullAngleDeg: number;
  kneeFlexionDeg: number;
  /** the load cell was zeroed with the limb hanging relaxed at the test angle: no limb weight to add */
  zeroedRelaxed: boolean;
  body: Body;
}

/**
 * Muscle torque from a load cell, N·m: force x lever x sin(pull angle), plus the limb's own weight in extension,
 * minus it in flexion, unless the cell was zeroed with the limb relaxed. Dosing rules F4.
 */
export function muscleTorqueNm(test: ForceAtLever): number {
  requireWithin("forceN", test.forceN, 0, 3000, "force", "N");
  requireWithin("leverArmM", test.leverArmM, 0.1, 0.6, "lever_arm", "m");
  requireWithin("pullAngleDeg", test.pullAngleDeg, 45, 135, "pull_angle", "deg");
  requireWithin("kneeFlexionDeg", test.kneeFlexionDeg, 0, 130, "knee_flexion", "deg");
  const external = test.forceN * test.leverArmM * Math.sin(toRadians(test.pullAngleDeg));
  if (test.zeroedRelaxed) return external;
  const limb = limbGravityTorqueNm(test.body, test.kneeFlexionDeg);
  return test.movement === "knee_extension" ? external + limb : external - limb;
}
