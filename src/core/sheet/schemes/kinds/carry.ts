import { z } from "zod";
import { numberField } from "../../../units/fields";
import type { ProgressStep, SchemeSpec, Stepped } from "../contract";
import { isMoved, noStretch, notEarly, notEasily } from "../gates";
import { moved, repeat, restS, sets, shareOfTarget, USUAL } from "../parts";

export const carrySchema = z.object({
  kind: z.literal("carry"),
  sets,
  distanceM: numberField("distance", "m", 4, 40),
  carriedKg: numberField("carried_load", "kg", 0, 60),
  restS,
});
type Carry = z.infer<typeof carrySchema>;

/** Length of a walking-lunge step, and how long it takes [own, usual for adults]. */
const STEP_LENGTH_M = 0.7;
const STEP_S = 3;
const RESERVE = 4;
const STEP = { byM: 5, leastM: 5, goalM: 20, mostKg: 60, byKg: 1 } as const;

const stepsOf = (p: Carry): number => Math.ceil(p.distanceM / STEP_LENGTH_M);
const target = (p: Carry) => ({ reps: Math.ceil(p.distanceM / STEP_LENGTH_M / 2), reserve: RESERVE });

/** Further first, then heavier; back the other way round. */
function progress(p: Carry, step: ProgressStep): Stepped<Carry> {
  if (step.to === "more") return p;
  if (step.to === "up") {
    if (p.distanceM < STEP.goalM) return { ...p, distanceM: Math.min(STEP.goalM, p.distanceM + STEP.byM) };
    return p.carriedKg < STEP.mostKg ? { ...p, carriedKg: p.carriedKg + STEP.byKg } : null;
  }
  if (p.carriedKg > 0) return { ...p, carriedKg: Math.max(0, p.carriedKg - 2 * STEP.byKg) };
  return p.distanceM > STEP.leastM
    ? { ...p, distanceM: Math.max(STEP.leastM, p.distanceM - STEP.byM) }
    : null;
}

export const carry: SchemeSpec<Carry> = {
  schema: carrySchema,
  gates: [noStretch, isMoved, notEasily, notEarly, (f) => (f.travels ? null : { code: "gate.travels" })],
  tempo: () => null,
  sets: (p) => {
    // half of the steps are the other leg's; both are walked through in one go
    const workS = (stepsOf(p) * STEP_S) / 2;
    const { reps } = target(p);
    return repeat(p.sets, { ...moved(reps, USUAL, p.restS, RESERVE), workS, tensionS: workS });
  },
  target,
  liftedShare: (p) => shareOfTarget(target(p)),
  heldShare: () => null,
  progress,
};
