import { z } from "zod";
import { numberField } from "../../../units/fields";
import type { ProgressStep, SchemeSpec, Stepped } from "../contract";
import { held, noLoad } from "../parts";
import { STRETCH_BREAK_S, stretchPlan } from "../stretchPlan";

export const stretchSchema = z.object({
  kind: z.literal("stretch"),
  totalS: numberField("stretch", "s", 10, 300),
  toleratedS: numberField("one_hold", "s", 5, 60),
});
type Stretch = z.infer<typeof stretchSchema>;

const STEP = { upS: 5, downS: 10, leastS: 10, mostS: 60 } as const;

/** Longer at a time by five seconds, back by ten. Dosing rules H1. */
function progress(p: Stretch, step: ProgressStep): Stepped<Stretch> {
  if (step.to === "more") return p;
  const toleratedS =
    step.to === "up"
      ? Math.min(STEP.mostS, p.toleratedS + STEP.upS)
      : Math.max(STEP.leastS, p.toleratedS - STEP.downS);
  return toleratedS === p.toleratedS ? null : { ...p, toleratedS };
}

export const stretch: SchemeSpec<Stretch> = {
  schema: stretchSchema,
  gates: [(f) => (f.isStretch ? null : { code: "gate.is_no_stretch" })],
  tempo: () => null,
  sets: (p) => {
    const plan = stretchPlan(p.totalS, p.toleratedS);
    return plan.holds === 0 ? [] : [{ ...held(plan.holds, plan.eachS, STRETCH_BREAK_S), restS: 0 }];
  },
  ...noLoad,
  progress,
};
