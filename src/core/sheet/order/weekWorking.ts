import type { WeekOfKneecap } from "../../schedule/kneecapWeek";
import type { Computed } from "../../units/working/working";

/** The kneecap's week with its working: what was done, what this sheet adds, and the week before. */
export const kneecapWeekComputed = (g: WeekOfKneecap): Computed => ({
  value: g.thisWeek,
  unit: "s",
  doubt: null,
  origin: "estimated",
  working: {
    formulaId: "week.kneecap",
    formula: { code: "work.week_formula" },
    inputs: [
      { name: { code: "work.this_week" }, value: `${Math.round(g.thisWeek)} s`, origin: "estimated" },
      {
        name: { code: "work.last_week" },
        value: g.lastWeek === null ? "nothing" : `${Math.round(g.lastWeek)} s`,
        origin: "estimated",
      },
    ],
    source: { code: "work.week_source" },
    confidence: "own",
    cannotTell: { code: "work.week_cannot" },
  },
});
