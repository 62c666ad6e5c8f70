import type { School } from "../progression/painRule";
import type { Condition } from "../rules/conditions";

export interface SchoolPart {
  condition: Pick<Condition, "kind" | "phases">;
  phaseId: string;
  beganWith: "surgery" | "onset";
  painStance: string;
}

/** The last phases of a condition count no longer as after surgery. */
const LATE_PHASES = 2;

/**
 * The pain rule that follows from the conditions: after surgery while any condition is post-operative and not yet in
 * its last two phases; otherwise the stricter stance of all. Null without conditions. docs/rules.md, "How they meet".
 */
export function schoolOf(parts: readonly SchoolPart[]): School | null {
  if (parts.length === 0) return null;
  const isEarly = parts.some(({ condition, phaseId, beganWith }) => {
    const isPostOp = condition.kind.includes("post-operative") && beganWith === "surgery";
    const at = condition.phases.findIndex((p) => p.id === phaseId);
    return isPostOp && at < condition.phases.length - LATE_PHASES;
  });
  if (isEarly) return "post_op";
  return parts.some((p) => p.painStance === "pain_free") ? "pain_free" : "monitoring";
}
