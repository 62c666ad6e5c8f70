import { z } from "zod";
import { numberField, wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch, notEarly, notEasily, notNovice } from "../gates";
import { byLoad, moved, startsAt, USUAL } from "../parts";
import { DROP_STARTS_AT, PIN_CHANGE_S, repetitionsInDrops } from "../specialSets";

export const dropSchema = z.object({
  kind: z.literal("drop"),
  drops: wholeField("drops", 1, 3),
  dropPct: numberField("drop", "pct", 10, 30),
  /** left before each drop; 0 is to the end */
  reserve: wholeField("reserve", 0, 4),
});

/** The pin goes down by a share, each time to the reserve. */
export const drop: SchemeSpec<z.infer<typeof dropSchema>> = {
  schema: dropSchema,
  gates: [noStretch, isMoved, loadable, notEasily, notEarly, notNovice],
  tempo: () => USUAL,
  sets: (p) => {
    const shares = Array.from({ length: p.drops + 1 }, (_, i) => (1 - p.dropPct / 100) ** i);
    const reps = repetitionsInDrops(
      shares.map((share) => share * DROP_STARTS_AT),
      p.reserve,
    );
    return shares.map((loadShare, i) => ({
      ...moved(reps[i] as number, USUAL, PIN_CHANGE_S, p.reserve),
      loadShare,
    }));
  },
  ...startsAt(() => DROP_STARTS_AT),
  progress: byLoad,
};
