import { z } from "zod";
import { numberField, wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch, notEarly, notEasily, notNovice } from "../gates";
import { byLoad, moved, startsAt, USUAL } from "../parts";
import { CLIMB_REST_S, CLIMB_STARTS_AT, climbing } from "../specialSets";

export const climbSchema = z.object({
  kind: z.literal("climb"),
  /** of each set; six where it was saved before it could be chosen */
  reps: wholeField("reps", 3, 10).default(6),
  plateKg: numberField("plate", "kg", 0.5, 20),
  /** it ends before a set would leave fewer */
  reserve: wholeField("reserve", 1, 4),
});

/** A climb's step as a share of the maximum before anything is tested: within the 5 to 7 % of dosing rules D7. */
const CLIMB_STEP = 0.06;

/** The same repetitions, a plate more each set, until the next would leave too few. Rule X4. */
export const climb: SchemeSpec<z.infer<typeof climbSchema>> = {
  schema: climbSchema,
  gates: [noStretch, isMoved, loadable, notEasily, notEarly, notNovice],
  tempo: () => USUAL,
  sets: (p) =>
    climbing(1, CLIMB_STARTS_AT, CLIMB_STEP, p.reps)
      .sets.filter((c) => c.reserve >= p.reserve)
      .map((c) => ({
        ...moved(p.reps, USUAL, CLIMB_REST_S, c.reserve),
        loadShare: c.load / CLIMB_STARTS_AT,
      })),
  ...startsAt(() => CLIMB_STARTS_AT),
  progress: byLoad,
};
