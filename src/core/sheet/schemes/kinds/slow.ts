import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { isMoved, loadable, noStretch, notEasily } from "../gates";
import { byRepetitions, lifts, moved, repeat, reserve, restS, sets } from "../parts";
import type { Tempo } from "../repetitionSeconds";

/** Repetitions of the course, from its first weeks to its last: each load more takes some of them, none is added. Rule D4. */
export const SLOW_RUNGS = [15, 12, 10, 8, 6] as const;
const MOST = SLOW_RUNGS[0];
export const LEAST_SLOW_REPS = SLOW_RUNGS[SLOW_RUNGS.length - 1] as number;

export const slowSchema = z.object({
  kind: z.literal("slow"),
  sets,
  reps: wholeField("reps", LEAST_SLOW_REPS, MOST),
  reserve,
  restS,
});
type Slow = z.infer<typeof slowSchema>;

const TEMPO: Tempo = { liftS: 3, topS: 0, lowerS: 3, bottomS: 0 };

/** Slow and heavy, for a tendon: three seconds up, three down. */
export const slow: SchemeSpec<Slow> = {
  schema: slowSchema,
  gates: [noStretch, isMoved, loadable, notEasily],
  tempo: () => TEMPO,
  sets: (p) => repeat(p.sets, moved(p.reps, TEMPO, p.restS, p.reserve)),
  ...lifts((p: Slow) => p),
  progress: byRepetitions(MOST),
};
