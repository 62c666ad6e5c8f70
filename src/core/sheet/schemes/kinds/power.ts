import { z } from "zod";
import { wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import {
  calmEnough,
  isMoved,
  lateEnough,
  loadable,
  noStretch,
  notEarly,
  notEasily,
  notNovice,
} from "../gates";
import { asksEnough, byLoad, moved, repeat, restS, startsAt } from "../parts";
import type { Tempo } from "../repetitionSeconds";

/** Heavier than this nothing moves fast, lighter nothing is trained, % of the maximum. Rule D1. */
const LEAST_PERCENT = 40;
const MOST_PERCENT = 60;

export const powerSchema = z.object({
  kind: z.literal("power"),
  sets: wholeField("sets", 1, 5),
  reps: wholeField("reps", 3, 8),
  /** of what is lifted once */
  percent: wholeField("percent", LEAST_PERCENT, MOST_PERCENT),
  restS,
});
type Power = z.infer<typeof powerSchema>;

/** Up as fast as it goes, down under control. */
const TEMPO: Tempo = { liftS: 0.5, topS: 0, lowerS: 2, bottomS: 0 };
const COUNTS = 0.5;

/** Fast up with a load that lets it be fast: late, for who knows the exercise and has a calm joint. */
export const power: SchemeSpec<Power> = {
  schema: powerSchema,
  gates: [noStretch, isMoved, loadable, notEasily, notEarly, notNovice, lateEnough, calmEnough],
  tempo: () => TEMPO,
  sets: (p) => repeat(p.sets, moved(p.reps, TEMPO, p.restS, null)),
  ...startsAt((p: Power) => p.percent / 100),
  mostLiftedShare: () => MOST_PERCENT / 100,
  effective: (p, share) => (asksEnough(share) ? COUNTS * p.sets : 0),
  progress: byLoad,
};
