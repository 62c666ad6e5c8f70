import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch } from "../gates";
import { byRepetitions, lifts, moved, repeat, restS, sets } from "../parts";
import type { Tempo } from "../repetitionSeconds";

export const lightSchema = z.object({
  kind: z.literal("light"),
  sets,
  reps: wholeField("reps", 25, 40),
  restS,
});
type Light = z.infer<typeof lightSchema>;

const TEMPO: Tempo = { liftS: 1, topS: 0, lowerS: 2, bottomS: 0 };
const RESERVE = 1;

export const light: SchemeSpec<Light> = {
  schema: lightSchema,
  gates: [noStretch, isMoved, loadable],
  tempo: () => TEMPO,
  sets: (p) => repeat(p.sets, moved(p.reps, TEMPO, p.restS, RESERVE)),
  ...lifts((p: Light) => ({ reps: p.reps, reserve: RESERVE })),
  progress: byRepetitions(40),
};
