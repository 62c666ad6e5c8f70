import { z } from "zod";
import { kneeFlexionDeg, numberField, side, wholeField } from "../units/fields";

/** Felt effort (0-10 at the end of the hardest hold) and percent of maximum at this angle are different things. */
export const effortTarget = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("felt"), felt: numberField("Felt effort", "out of 10", 2, 9) }),
  z.object({ kind: z.literal("percent"), percent: numberField("Percent of maximum", "%", 10, 90) }),
]);

/** What resists: the machine's stack, an ankle cuff hung on the free leg, or a fixed strap with the load cell. */
export const means = z.enum(["machine", "cuff", "strap"]);
export type Means = z.infer<typeof means>;

export const holdPattern = z.object({
  holdS: numberField("Hold", "seconds", 3, 120),
  reps: wholeField("Repetitions", 1, 12),
  restS: numberField("Rest", "seconds", 5, 300),
  sets: wholeField("Sets", 1, 5),
  setRestS: numberField("Rest between sets", "seconds", 0, 600),
});

export const holdPlan = z
  .object({
    side,
    kneeFlexionDeg,
    effort: effortTarget,
    means,
    pattern: holdPattern,
    /** the angle ladder: where it began and where it goes */
    ladderFromDeg: kneeFlexionDeg,
    ladderToDeg: kneeFlexionDeg,
  })
  .refine((p) => p.pattern.sets === 1 || p.pattern.setRestS > p.pattern.restS, {
    path: ["pattern", "setRestS"],
    error: "Rest between sets must be longer than the rest between holds.",
  });
export type HoldPlan = z.infer<typeof holdPlan>;
