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

/** So many more left than aimed at, in a set within the range: the load is far too light, whatever the repetitions. Rule P2. */
const FAR_TOO_EASY = 3;

/** The performance layer: exactly one row matches every combination. Dosing rules E3. */
export function performanceRule(i: DecisionInput, sizes: StepSizes): FiredRule {
  const reserve = reserveBand(i.rir, i.rirTarget);
  const enough = i.satisfiedStreak >= sizes.sessionsPerStep;
  switch (i.repsState) {
    case "unknown":
      return { id: "P0", action: "HOLD", why: { code: "progression.unknown_done" } };
    case "below":
      return reserve === "hard" && i.missedBefore
        ? { id: "P1", action: "REGRESS", why: { code: "progression.missed_twice" } }
        : { id: "P2", action: "HOLD", why: { code: "progression.missed" } };
    case "in":
      if (!i.isHeld && i.rir !== null && i.rir >= i.rirTarget + FAR_TOO_EASY)
        return { id: "P9", action: "PROGRESS", why: { code: "progression.far_too_easy", left: i.rir } };
      return reserve === "hard"
        ? { id: "P3", action: "HOLD", why: { code: "progression.harder" } }
        : { id: "P4", action: "PROGRESS", why: { code: "progression.within" } };
    case "top":
      // who never says what is left goes on by what was done: one visit more, and the smallest step
      if (reserve === "unknown" && i.satisfiedStreak > sizes.sessionsPerStep)
        return {
          id: "P10",
          action: "PROGRESS",
          why: { code: "progression.done_unsaid", visits: i.satisfiedStreak },
        };
      if (reserve === "hard" || reserve === "unknown")
        return {
          id: "P5",
          action: "HOLD",
          why: { code: reserve === "hard" ? "progression.done_but_harder" : "progression.felt_unknown" },
        };
      if (!enough)
        return {
          id: "P6",
          action: "HOLD",
          why: { code: "progression.banked", banked: i.satisfiedStreak, of: sizes.sessionsPerStep },
        };
      return {
        id: reserve === "easy" ? "P8" : "P7",
        action: "PROGRESS",
        why: { code: "progression.all_done", visits: i.satisfiedStreak, isEasy: reserve === "easy" },
      };
  }
}
