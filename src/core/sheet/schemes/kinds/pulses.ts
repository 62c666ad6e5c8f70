import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, noStretch, notEasily } from "../gates";
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

export const pulsesSchema = z.object({
  kind: z.literal("pulses"),
  sets,
  reps: wholeField("reps", 3, 20),
  pulses: wholeField("pulses", 1, 5),
  end,
  restS,
});
type Pulses = z.infer<typeof pulsesSchema>;

const PULSE_S = 1;

/** Short pulses at one end of each repetition. */
export const pulses: SchemeSpec<Pulses> = {
  schema: pulsesSchema,
  gates: [noStretch, isMoved, notEasily],
  tempo: () => USUAL,
  sets: (p) =>
    repeat(p.sets, longer(moved(p.reps, USUAL, p.restS, USUAL_RESERVE), p.reps * p.pulses * PULSE_S)),
  ...lifts((p: Pulses) => ({ reps: p.reps, reserve: USUAL_RESERVE })),
  progress: byRepetitions(20),
};
