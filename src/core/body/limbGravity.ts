import { toRadians } from "../units/clamp";
import { type Body, shankWeightN } from "./segments";

/**
 * Torque about the knee of the shank and foot themselves, thigh level, N·m (Winter's fractions [high]): what the
 * extensors hold before any load is added. Dosing rules F4.
 */
export function limbGravityTorqueNm(body: Body, kneeFlexionDeg: number): number {
  return shankWeightN(body) * body.shankComM * Math.cos(toRadians(kneeFlexionDeg));
}
