import { z } from "zod";
import { numberField, wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { calmEnough, isMoved, noStretch, notEarly, notEasily } from "../gates";
import { byRepetitions, lifts, moved, repeat, restS, sets, USUAL_RESERVE } from "../parts";
import type { Tempo } from "../repetitionSeconds";

export const loweringSchema = z.object({
  kind: z.literal("lowering"),
  sets,
  reps: wholeField("reps", 2, 10),
  lowerS: numberField("lowering", "s", 3, 15),
  restS,
});
type Lowering = z.infer<typeof loweringSchema>;

/** Help on the way up, slow on the way down, the next start. */
const tempoOf = (lowerS: number): Tempo => ({ liftS: 0.5, topS: 0, lowerS, bottomS: 2 });

export const lowering: SchemeSpec<Lowering> = {
  schema: loweringSchema,
  gates: [noStretch, isMoved, notEasily, notEarly, calmEnough],
  tempo: (p) => tempoOf(p.lowerS),
  sets: (p) => repeat(p.sets, moved(p.reps, tempoOf(p.lowerS), p.restS, USUAL_RESERVE)),
  ...lifts((p: Lowering) => ({ reps: p.reps, reserve: USUAL_RESERVE })),
  progress: byRepetitions(10),
};
