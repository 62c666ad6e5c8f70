import { SLOW_RECOVERY_RATE, SLOW_SHARE } from "./fatigueModel";
import { type EnduranceJoint, JOINTS } from "./joints";

/** Share of maximum that short on-off work can go on with, at a duty (share of time on). Dosing rules B9. */
export function criticalIntensity(joint: EnduranceJoint, duty: number, slowShare = SLOW_SHARE): number {
  const { fatigueRate, recoveryRate, restMultiplier } = JOINTS[joint];
  const recovery = recoveryRate * duty + restMultiplier * recoveryRate * (1 - duty);
  const fast = ((1 - slowShare) * fatigueRate * duty) / recovery;
  const slow = (slowShare * fatigueRate * duty) / SLOW_RECOVERY_RATE;
  return 1 / (1 + fast + slow);
}
