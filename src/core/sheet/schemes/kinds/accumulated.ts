import { z } from "zod";
import { numberField, wholeField } from "../../../units/fields";
import { saidWith } from "../../../units/said";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch, notEarly, notEasily } from "../gates";
import { asksEnough, byLoad, moved, startsAt, USUAL } from "../parts";
import { ACCUMULATED_REP_S, accumulatedSet, accumulatedShare } from "../specialSets";

export const accumulatedSchema = z.object({
  kind: z.literal("accumulated"),
  /** of all bouts: a first one and three of a third of it, for beginners two thirds of that. Rule X4 */
  total: wholeField("accumulated_total", 8, 40),
  restS: numberField("standing_rest", "s", 15, 30),
  /** left at the end of every bout */
  reserve: wholeField("reserve", 1, 4),
});
type Accumulated = z.infer<typeof accumulatedSchema>;

/** Days between two accumulated sets. Dosing rules G1. */
const EVERY_DAYS = 7;
/** Effective sets that the whole of it counts as. Rule D1 [own]. */
const COUNTS_AS = 3;
const shareOf = (p: Accumulated): number => accumulatedShare(p.reserve, p.restS, p.total);

/** Bouts with short standing rests and a reserve in each, counted to a total. */
export const accumulated: SchemeSpec<Accumulated> = {
  schema: accumulatedSchema,
  gates: [
    noStretch,
    isMoved,
    loadable,
    notEasily,
    notEarly,
    (f) => (f.accumulatedInSession > 0 ? { code: "gate.once_a_session" } : null),
    (f) =>
      f.daysSinceAccumulated !== null && f.daysSinceAccumulated < EVERY_DAYS
        ? saidWith("gate.days_apart", { days: f.daysSinceAccumulated })
        : null,
  ],
  tempo: () => null,
  sets: (p) => {
    const set = accumulatedSet(shareOf(p), p.restS, p.total);
    if (set.status === "too-heavy") return [];
    return set.bouts.map((b) => ({
      ...moved(b.reps, USUAL, p.restS, b.reserve),
      workS: b.reps * ACCUMULATED_REP_S,
      tensionS: b.reps * ACCUMULATED_REP_S,
    }));
  },
  ...startsAt(shareOf),
  effective: (_, share) => (asksEnough(share) ? COUNTS_AS : 0),
  progress: byLoad,
};
