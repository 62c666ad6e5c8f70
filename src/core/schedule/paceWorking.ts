import type { Computed } from "../units/working/working";
import type { WeeksToGoal } from "./goalPace";

/** The weeks to a goal with their working: the middle of the range, and half of it as doubt. */
export const paceComputed = (
  range: WeeksToGoal,
  p: { stepsLeft: number; stepsDone: number; weeks: number },
): Computed => ({
  value: range.latest === null ? range.soonest : (range.soonest + range.latest) / 2,
  unit: "weeks",
  doubt: range.latest === null ? null : (range.latest - range.soonest) / 2,
  origin: "estimated",
  working: {
    formulaId: "week.pace",
    formula:
      "steps left divided by the client's own pace; the pace is a rate of rare steps, with its 80 % range of a Poisson count",
    inputs: [
      { name: "steps left", value: String(p.stepsLeft), origin: "estimated", from: "the ladder" },
      {
        name: "steps done",
        value: String(p.stepsDone),
        origin: "measured",
        from: `decisions of ${p.weeks} weeks`,
      },
      {
        name: "range",
        value: `${range.soonest} to ${range.latest ?? "more than 52"} weeks`,
        origin: "estimated",
      },
    ],
    source: "Wilson and Hilferty's approximation",
    confidence: "own",
    cannotTell: "Whether the pace stays: a flare, an operation or a holiday changes it.",
  },
});
