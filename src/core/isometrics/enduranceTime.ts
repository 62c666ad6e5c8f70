import { type EnduranceJoint, JOINTS } from "./joints";

/** Below this share of maximum a hold is not limited by local endurance. */
export const NOT_LIMITED_BELOW = 0.15;
/** The curve was measured between these shares of maximum. */
export const CURVE_VALID_FROM = 0.2;
export const CURVE_VALID_TO = 0.8;
/** Between-person spread: a share of endurance is good within a factor of 1.5 until a timed hold is known. */
export const PERSON_SPREAD_FACTOR = 1.5;
/** A single hold never uses more of the endurance than this [own]. */
export const MOST_SHARE_PER_HOLD = 0.8;

/** Mean endurance time at a share of maximum, s: b0 · f^(−b1). Dosing rules A1. */
export function meanEnduranceS(joint: EnduranceJoint, shareOfMax: number): number {
  const { b0, b1 } = JOINTS[joint];
  return b0 * shareOfMax ** -b1;
}

/** Endurance time to plan with, s; `k` is the personal factor. Falls to zero at 100 % [own]. Dosing rules A2. */
export function plannedEnduranceS(joint: EnduranceJoint, shareOfMax: number, k = 1): number {
  if (shareOfMax >= 1) return 0;
  return k * meanEnduranceS(joint, shareOfMax) * Math.min(1, (1 - shareOfMax) / 0.2);
}

/** Share of endurance that a fresh hold uses; null below 15 %, where local endurance is not the limit. */
export function shareOfEndurance(
  joint: EnduranceJoint,
  shareOfMax: number,
  holdS: number,
  k = 1,
): number | null {
  if (shareOfMax < NOT_LIMITED_BELOW) return null;
  const endurance = plannedEnduranceS(joint, shareOfMax, k);
  return endurance === 0 ? Number.POSITIVE_INFINITY : holdS / endurance;
}
