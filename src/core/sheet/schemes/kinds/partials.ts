import { z } from "zod";
import { numberField, wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch, notEarly, notEasily } from "../gates";
import {
  byRepetitions,
  end,
  lifts,
  longer,
  moved,
  repeat,
  restS,
  sets,
  USUAL,
  USUAL_RESERVE,
} from "../parts";

export const partialsSchema = z.object({
  kind: z.literal("partials"),
  sets,
  reps: wholeField("reps", 3, 20),
  partials: wholeField("partials", 2, 10),
  end,
  holdS: numberField("closing_hold", "s", 5, 45),
  restS,
});
type Partials = z.infer<typeof partialsSchema>;

const PARTIAL_S = 1.5;

/** Whole repetitions, partials at one end, and a closing hold. */
export const partials: SchemeSpec<Partials> = {
  schema: partialsSchema,
  gates: [noStretch, isMoved, loadable, notEasily, notEarly],
  tempo: () => USUAL,
  sets: (p) =>
    repeat(p.sets, longer(moved(p.reps, USUAL, p.restS, USUAL_RESERVE), p.partials * PARTIAL_S + p.holdS)),
  ...lifts((p: Partials) => ({ reps: p.reps, reserve: USUAL_RESERVE })),
  progress: byRepetitions(20),
};
