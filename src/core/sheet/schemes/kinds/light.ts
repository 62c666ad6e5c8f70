import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch } from "../gates";
import { asksEnough, byRepetitions, lifts, moved, repeat, reserve, restS, sets } from "../parts";
import type { Tempo } from "../repetitionSeconds";

export const lightSchema = z.object({
  kind: z.literal("light"),
  sets,
  reps: wholeField("reps", 25, 40),
  /** as the client and the phase have it; what was planned before it could be chosen left one */
  reserve: reserve.default(1),
  restS,
});
type Light = z.infer<typeof lightSchema>;

const TEMPO: Tempo = { liftS: 1, topS: 0, lowerS: 2, bottomS: 0 };
/** Light sets count whole with so few left. Rule D1 [own]. */
const WHOLE_RESERVE = 3;

export const light: SchemeSpec<Light> = {
  schema: lightSchema,
  gates: [noStretch, isMoved, loadable],
  tempo: () => TEMPO,
  sets: (p) => repeat(p.sets, moved(p.reps, TEMPO, p.restS, p.reserve)),
  ...lifts((p: Light) => p),
  effective: (p, share) => (asksEnough(share) ? p.sets * (p.reserve <= WHOLE_RESERVE ? 1 : 0.5) : 0),
  progress: byRepetitions(40),
};
