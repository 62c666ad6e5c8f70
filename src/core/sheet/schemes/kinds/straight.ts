import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, lateEnough, noStretch, notEasily, notNovice } from "../gates";
import { lastOf, lastSet } from "../lastSet";
import { byRepetitions, lifts, moved, repeat, reserve, restS, sets, tempo } from "../parts";

export const straightSchema = z.object({
  kind: z.literal("straight"),
  sets,
  reps: wholeField("reps", 1, 30),
  reserve,
  tempo,
  restS,
  /** of several, the last one in its own way; missing: as the others. Rule X4 */
  last: lastSet.optional(),
});
type Straight = z.infer<typeof straightSchema>;

export const straight: SchemeSpec<Straight> = {
  schema: straightSchema,
  gates: [noStretch, isMoved],
  // nearer the end is for who knows what the end is
  ownGates: (p) => (p.last === "nearer" && p.sets > 1 ? [lateEnough, notEasily, notNovice] : []),
  tempo: (p) => p.tempo,
  sets: (p) => {
    const alike = repeat(p.sets, moved(p.reps, p.tempo, p.restS, p.reserve));
    return p.last && p.sets > 1 ? [...alike.slice(1), lastOf(p.last, p)] : alike;
  },
  ...lifts((p: Straight) => p),
  progress: byRepetitions(30),
};
