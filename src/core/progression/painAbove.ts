import { becauseOf, type InForce, mostOf } from "../bounds/inForce";

/**
 * What is said at once where pain at rest is above the most that is allowed in work, with what can be done; null where it
 * is not. Corrections K10.
 */
export function painAbove(painAtRest: number, bounds: InForce): string | null {
  const most = mostOf(bounds, "joint_pain");
  const made = bounds.joint_pain;
  if (!made || painAtRest <= most) return null;
  return `Pain is ${painAtRest} of 10 before any work, above the most allowed in it, ${most}, because of ${becauseOf(made)}. Look for a quieter angle or another exercise, take load off, or ask again; above ${most} nothing is gone on with.`;
}
