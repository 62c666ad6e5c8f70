import type { Remedy } from "../rules/faults/faults";
import type { DecisionInput } from "./decisionInput";
import { performanceRule, reserveBand } from "./performanceRule";
import { type Action, type FiredRule, safetyRules, stricter, tellsTherapist } from "./safetyRules";
import { type StepSizes, stepSizes } from "./stepSizes";

/** What the decision changes; only one of load, angle, repetitions or sets is moved by a plan. */
export interface DecisionChange {
  loadPct?: number;
  orAngleDeg?: number;
  repsReset?: string;
  reps?: string;
  load?: number;
  bank?: number;
  setsPct?: number;
  rangeDeg?: number;
  exercise?: "stop";
  /** what is tried about a fault that was seen again, in place of everything else. Rule Seen 3 */
  remedy?: Remedy;
}

export interface Decision {
  action: Action;
  /** ids of the rules that decided */
  rules: string[];
  reasons: FiredRule[];
  /** rules that fired too but were overtaken by a stricter one */
  also: FiredRule[];
  change: DecisionChange;
  /** the therapist must hear of it today */
  tellsTherapist: boolean;
}

/**
 * One decision for the next session: the stricter of the safety layer and the performance layer, with every reason.
 * Total: any input gives exactly one action and at least one reason. Dosing rules E.
 */
export function decide(input: DecisionInput): Decision {
  const sizes = stepSizes(input.school, input.irritability);
  const fired = [...safetyRules(input), performanceRule(input, sizes)];
  const action = fired.reduce<Action>((a, r) => stricter(a, r.action), "PROGRESS");
  // a clinical review is asked for because of the step back itself, so that reason stays with it
  const leadsToReview = (r: FiredRule) =>
    r.action === "REGRESS" && fired.some((f) => f.id === "S5") && !r.id.startsWith("P");
  const decides = (r: FiredRule) => r.action === action || leadsToReview(r);
  const reasons = fired.filter(decides);
  return {
    action,
    rules: reasons.map((r) => r.id),
    reasons,
    also: fired.filter((r) => !decides(r) && r.action !== "PROGRESS"),
    change: changeFor(action, reasons, fired, input, sizes),
    tellsTherapist: tellsTherapist(input),
  };
}

/** What was seen (Seen 3), and the performance layer. */
const OF_WHAT_WAS_DONE = /^(H12|H13|P\d+)$/;

function changeFor(
  action: Action,
  reasons: FiredRule[],
  fired: readonly FiredRule[],
  input: DecisionInput,
  sizes: StepSizes,
): DecisionChange {
  const ids = reasons.map((r) => r.id);
  switch (action) {
    case "STOP_REFER":
      return { exercise: "stop", loadPct: -100 };
    case "REGRESS":
      // a shorter range alone answers a shorter range alone (corrections K8)
      if (ids.every((id) => id === "R6") && fired.every((r) => !r.id.startsWith("H") || r.id === "H5"))
        return { rangeDeg: -sizes.angleDeg, load: 0 };
      if (ids.every((id) => id === "R10") && input.faultAgain) return { remedy: input.faultAgain.remedy };
      return { loadPct: -sizes.backPct, setsPct: sizes.setsBackPct };
    case "HOLD":
      // pain, swelling and mornings come first: then it stays as it is
      if (input.faultAgain && ids.includes("H13") && ids.every((id) => OF_WHAT_WAS_DONE.test(id)))
        return { remedy: input.faultAgain.remedy };
      // what was all done counts towards the next step, also where nobody said how it was
      return ids.length === 1 && (ids[0] === "P6" || (ids[0] === "P5" && input.rir === null))
        ? { bank: 1 }
        : {};
    case "PROGRESS":
      if (ids.includes("P4")) {
        const easy = reserveBand(input.rir, input.rirTarget) === "easy" ? 1 : 0;
        return {
          reps: `+${(input.irritability === "low" && input.school !== "post_op" ? 2 : 1) + easy}`,
          load: 0,
        };
      }
      return {
        loadPct: ids.includes("P8") || ids.includes("P9") ? sizes.bigUpPct : sizes.upPct,
        orAngleDeg: sizes.angleDeg,
        repsReset: "bottom_of_range",
      };
  }
}
