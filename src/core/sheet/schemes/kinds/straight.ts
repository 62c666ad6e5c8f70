import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, noStretch } from "../gates";
import { byRepetitions, lifts, moved, repeat, reserve, restS, sets, tempo } from "../parts";

export const straightSchema = z.object({
  kind: z.literal("straight"),
  sets,
  reps: wholeField("reps", 1, 30),
  reserve,
  tempo,
  restS,
});
type Straight = z.infer<typeof straightSchema>;

export const straight: SchemeSpec<Straight> = {
  schema: straightSchema,
  gates: [noStretch, isMoved],
  tempo: (p) => p.tempo,
  sets: (p) => repeat(p.sets, moved(p.reps, p.tempo, p.restS, p.reserve)),
  ...lifts((p: Straight) => p),
  progress: byRepetitions(30),
};
