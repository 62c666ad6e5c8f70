import type { DecisionInput } from "./decisionInput";
import type { FiredRule } from "./safetyRules";
import type { StepSizes } from "./stepSizes";

export type Reserve = "hard" | "on" | "easy" | "unknown";

/** hard: more than one below the wanted reserve; easy: two or more above it. */
export function reserveBand(rir: number | null, target: number): Reserve {
  if (rir === null) return "unknown";
  if (rir < target - 1) return "hard";
  return rir >= target + 2 ? "easy" : "on";
}

/** The performance layer: exactly one row matches every combination. Dosing rules E3. */
export function performanceRule(i: DecisionInput, sizes: StepSizes): FiredRule {
  const reserve = reserveBand(i.rir, i.rirTarget);
  const enough = i.satisfiedStreak >= sizes.sessionsPerStep;
  switch (i.repsState) {
    case "unknown":
      return { id: "P0", action: "HOLD", reason: "what was held is not known" };
    case "below":
      return reserve === "hard" && i.missedBefore
        ? { id: "P1", action: "REGRESS", reason: "the plan was missed twice and felt too hard" }
        : { id: "P2", action: "HOLD", reason: "the planned amount was not reached" };
    case "in":
      return reserve === "hard"
        ? { id: "P3", action: "HOLD", reason: "it felt harder than planned" }
        : { id: "P4", action: "PROGRESS", reason: "within the planned range with enough in reserve" };
    case "top":
      if (reserve === "hard" || reserve === "unknown")
        return {
          id: "P5",
          action: "HOLD",
          reason:
            reserve === "hard"
              ? "all of it was done but it felt harder than planned"
              : "felt effort is not known",
        };
      if (!enough)
        return {
          id: "P6",
          action: "HOLD",
          reason: `all of it was done: ${i.satisfiedStreak} of ${sizes.sessionsPerStep} good visits on this step`,
        };
      return {
        id: reserve === "easy" ? "P8" : "P7",
        action: "PROGRESS",
        reason: `all of it was done in ${i.satisfiedStreak} visits${reserve === "easy" ? ", easily" : ""}`,
      };
  }
}
