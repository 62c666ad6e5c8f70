import { z } from "zod";
import { LIFTS_OF_HELD } from "../../../strength/liftsOfHeld";
import { numberField, wholeField } from "../../../units/fields";
import type { SchemeSpec } from "../contract";
import { calmEnough, isMoved, noStretch, notEarly, notEasily, notNovice } from "../gates";
import { byRepetitions, lifts, moved, repeat, reserve, restS, sets } from "../parts";
import type { Tempo } from "../repetitionSeconds";
import { ONE_LEG_OF_TWO, twoUpOneDownLoad } from "../specialSets";

export const twoUpOneDownSchema = z.object({
  kind: z.literal("two_up_one_down"),
  sets,
  reps: wholeField("reps", 3, 10),
  reserve,
  lowerS: numberField("lowering", "s", 3, 10),
  restS,
});
type TwoUpOneDown = z.infer<typeof twoUpOneDownSchema>;

/** Two legs lift, one lowers, both take over at the bottom. */
const tempoOf = (lowerS: number): Tempo => ({ liftS: 1, topS: 1, lowerS, bottomS: 1 });

/** Load of two up, one down in one-leg maxima. Dosing rules D13. */
export const loweredByOneLeg = (reps: number, left: number) =>
  twoUpOneDownLoad(1 / ONE_LEG_OF_TWO, reps, left);

export const twoUpOneDown: SchemeSpec<TwoUpOneDown> = {
  schema: twoUpOneDownSchema,
  gates: [
    noStretch,
    isMoved,
    notEasily,
    notEarly,
    notNovice,
    calmEnough,
    (f) => (f.isOneLeggedMachine ? null : { code: "gate.one_leg_lowers" }),
  ],
  tempo: (p) => tempoOf(p.lowerS),
  sets: (p) => repeat(p.sets, moved(p.reps, tempoOf(p.lowerS), p.restS, p.reserve)),
  ...lifts((p: TwoUpOneDown) => p),
  heldShare: (p) => LIFTS_OF_HELD * loweredByOneLeg(p.reps, p.reserve).overloadVsSingle,
  progress: byRepetitions(10),
};
