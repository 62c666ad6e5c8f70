import { saidWith } from "../units/said";
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
    formula: { code: "work.pace_formula" },
    inputs: [
      {
        name: { code: "work.steps_left" },
        value: String(p.stepsLeft),
        origin: "estimated",
        from: { code: "work.the_ladder" },
      },
      {
        name: { code: "work.steps_done" },
        value: String(p.stepsDone),
        origin: "measured",
        from: saidWith("work.decisions_of", { weeks: p.weeks }),
      },
      {
        name: "range",
        value: saidWith("work.weeks", { soonest: range.soonest, latest: range.latest }),
        origin: "estimated",
      },
    ],
    source: { code: "work.pace_source" },
    confidence: "own",
    cannotTell: { code: "work.pace_cannot" },
  },
});
