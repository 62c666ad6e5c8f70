import type { GuardedLoad } from "../../schedule/weekGuard";
import type { Computed } from "../../units/working/working";

/** The kneecap's week with its working: what was done, what this sheet adds, and what the weeks before allow. */
export const kneecapWeekComputed = (g: GuardedLoad): Computed => ({
  value: g.thisWeek,
  unit: "s",
  doubt: null,
  origin: "estimated",
  working: {
    formulaId: "week.kneecap",
    formula:
      "mean kneecap load over the used angles in chair rises, times seconds under tension of one leg, added up over the last six days and this sheet",
    inputs: [
      { name: "this week with this sheet", value: `${Math.round(g.thisWeek)} s`, origin: "estimated" },
      {
        name: "last week",
        value: g.lastWeek === null ? "nothing" : `${Math.round(g.lastWeek)} s`,
        origin: "estimated",
      },
      {
        name: "the most after the weeks before",
        value: g.most === null ? "no week to compare with" : `${Math.floor(g.most)} s`,
        origin: "estimated",
      },
    ],
    source: "kneecap load of a week and its guard",
    confidence: "own",
    cannotTell:
      "Anything between people, and what lines without a model add. It compares weeks of one client.",
  },
});
