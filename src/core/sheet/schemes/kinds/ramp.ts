import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { PlannedSet, SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch, notEasily } from "../gates";
import { byRepetitions, lifts, moved, repeat, reserve, restS, sets, shareOfTarget, tempo } from "../parts";
import { RAMP_REST_S, rampShares } from "../specialSets";

export const rampSchema = z.object({
  kind: z.literal("ramp"),
  sets,
  reps: wholeField("reps", 1, 15),
  reserve,
  tempo,
  restS,
});
type Ramp = z.infer<typeof rampSchema>;

/** Two or three light sets, none of them hard, and then the working load. Dosing rules D6. */
export const ramp: SchemeSpec<Ramp> = {
  schema: rampSchema,
  gates: [noStretch, isMoved, loadable, notEasily],
  tempo: (p) => p.tempo,
  sets: (p) => [
    ...rampShares(shareOfTarget(p)).map(
      (r): PlannedSet => ({
        ...moved(r.reps, p.tempo, RAMP_REST_S, null),
        role: "ramp",
        loadShare: r.share,
      }),
    ),
    ...repeat(p.sets, moved(p.reps, p.tempo, p.restS, p.reserve)),
  ],
  ...lifts((p: Ramp) => p),
  progress: byRepetitions(15),
};
