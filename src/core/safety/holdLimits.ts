import type { LimitsRecord } from "../rules/limitsRecord";
import type { Limit } from "./limits";

/**
 * What a condition's limits mean for an isometric knee-extension hold: angles, effort, joint pain; in the shape of all
 * other limits, so that the tightest of any origin wins. `because` names the condition and its phase.
 */
export function holdLimits(limits: LimitsRecord, because: string, idPrefix: string): Limit[] {
  const rule = limits.open_chain_extension;
  const angles = rule.rule === "none" ? null : rule.isometric_angles_deg;
  const make = (kind: Limit["kind"], low: number | null, high: number | null, reason: string): Limit => ({
    id: `${idPrefix}-${kind}`,
    kind,
    low,
    high,
    origin: "condition",
    reason,
    endsOn: null,
  });
  const bend = limits.knee_flexion_loaded_deg;
  const found = [
    angles
      ? make(
          "knee_flexion_under_load",
          Math.max(angles[0], bend.min),
          Math.min(angles[1], bend.max),
          `${because}: holds at ${angles[0]}° to ${angles[1]}°, bend under load to ${bend.max}°`,
        )
      : // an empty window: nothing can be held
        make("knee_flexion_under_load", 131, -1, `${because}: no open-chain extension, not even held`),
    make("joint_pain", null, limits.pain.max_joint_pain_during_0_10, because),
  ];
  if (rule.isometric_effort_max_pct !== null)
    found.push(make("hold_effort", null, rule.isometric_effort_max_pct, because));
  return found;
}
