import { type InForce, mostOf, reasonsOf } from "../bounds/inForce";
import { type Said, saidWith } from "../units/said";

/**
 * What is said at once where pain at rest is above the most that is allowed in work, with what can be done; null where it
 * is not. Corrections K10.
 */
export function painAbove(painAtRest: number, bounds: InForce): Said | null {
  const most = mostOf(bounds, "joint_pain");
  const made = bounds.joint_pain;
  if (!made || painAtRest <= most) return null;
  return saidWith("bound.pain_above", { pain: painAtRest, most, because: reasonsOf(made) });
}
