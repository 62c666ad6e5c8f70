import { z } from "zod";
import { numberField, wholeField } from "../../units/fields";

/** Angles are planned in steps in which the model is solved. */
export const ANGLE_STEP_DEG = 5;
export const plannedDeg = z
  .number({ error: "Choose a knee angle." })
  .min(0, { error: "Knee flexion is between 0 and 130 degrees; 0° is straight." })
  .max(130, { error: "Knee flexion is between 0 and 130 degrees; 0° is straight." })
  .multipleOf(ANGLE_STEP_DEG, { error: "Knee angles are planned in steps of 5 degrees." });
/** Felt effort (0-10 at the end of the hardest hold) and percent of maximum at this angle are different things. */
const effortTarget = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("felt"), felt: numberField("Felt effort", "out of 10", 2, 9) }),
  z.object({ kind: z.literal("percent"), percent: numberField("Percent of maximum", "%", 10, 90) }),
]);
const end = z.enum(["stretched", "short"], { error: "Choose the stretched or the short end." });
const restS = numberField("Rest", "seconds", 0, 600);
const sets = wholeField("Sets", 1, 10);
const reserve = wholeField("Repetitions in reserve", 0, 8);
const tempo = z.object({
  /** 0: helped up */
  liftS: numberField("Lifting", "seconds", 0, 10),
  topS: numberField("The top hold", "seconds", 0, 10),
  lowerS: numberField("Lowering", "seconds", 0.5, 15),
  bottomS: numberField("The bottom", "seconds", 0, 5),
});

/** A way of doing an exercise, each with all it needs and nothing else. Dosing rules B, D, H. */
export const scheme = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("holds"),
    sets,
    reps: wholeField("Holds", 1, 12),
    holdS: numberField("A hold", "seconds", 3, 60),
    restS,
    setRestS: restS,
    effort: effortTarget,
    /** knee flexion of the hold; null where the knee has no angle of its own to choose */
    atDeg: plannedDeg.nullable(),
  }),
  z.object({
    kind: z.literal("straight"),
    sets,
    reps: wholeField("Repetitions", 1, 30),
    reserve,
    tempo,
    restS,
  }),
  z.object({
    kind: z.literal("ramp"),
    sets,
    reps: wholeField("Repetitions", 1, 15),
    reserve,
    tempo,
    restS,
  }),
  z.object({
    kind: z.literal("climb"),
    plateKg: numberField("A plate", "kg", 0.5, 20),
    /** it ends before a set would leave fewer */
    reserve: wholeField("Repetitions in reserve", 1, 4),
  }),
  z.object({
    kind: z.literal("accumulated"),
    total: z.union([z.literal(15), z.literal(25)], { error: "The total is 25, for novices 15." }),
    restS: numberField("A standing rest", "seconds", 15, 30),
    /** left at the end of every bout */
    reserve: wholeField("Repetitions in reserve", 1, 4),
  }),
  z.object({
    kind: z.literal("drop"),
    drops: wholeField("Drops", 1, 3),
    dropPct: numberField("A drop", "percent", 10, 30),
    /** left before each drop; 0 is to the end */
    reserve: wholeField("Repetitions in reserve", 0, 4),
  }),
  z.object({
    kind: z.literal("partials"),
    sets,
    reps: wholeField("Repetitions", 3, 20),
    partials: wholeField("Partials", 2, 10),
    end,
    holdS: numberField("The closing hold", "seconds", 5, 45),
    restS,
  }),
  z.object({
    kind: z.literal("pulses"),
    sets,
    reps: wholeField("Repetitions", 3, 20),
    pulses: wholeField("Pulses", 1, 5),
    end,
    restS,
  }),
  z.object({ kind: z.literal("light"), sets, reps: wholeField("Repetitions", 25, 40), restS }),
  z.object({
    kind: z.literal("lowering"),
    sets,
    reps: wholeField("Repetitions", 2, 10),
    lowerS: numberField("Lowering", "seconds", 3, 15),
    restS,
  }),
  z.object({
    kind: z.literal("two_up_one_down"),
    sets,
    reps: wholeField("Repetitions", 3, 10),
    reserve,
    lowerS: numberField("Lowering", "seconds", 3, 10),
    restS,
  }),
  z.object({
    kind: z.literal("carry"),
    sets,
    distanceM: numberField("Distance", "metres", 4, 40),
    carriedKg: numberField("Carried load", "kg", 0, 60),
    restS,
  }),
  z.object({
    kind: z.literal("stretch"),
    totalS: numberField("A stretch", "seconds in all", 10, 300),
    toleratedS: numberField("One hold", "seconds", 5, 60),
  }),
]);
export type Scheme = z.infer<typeof scheme>;
export type SchemeKind = Scheme["kind"];
export const SCHEME_KINDS = scheme.options.map((o) => o.shape.kind.value) as SchemeKind[];

export const SCHEME_NAMES: Record<SchemeKind, string> = {
  holds: "holds",
  straight: "straight sets",
  ramp: "ramp to a working load",
  climb: "sixes climb",
  accumulated: "accumulated set",
  drop: "drop set",
  partials: "partials and a closing hold",
  pulses: "pulses at one end",
  light: "light and many",
  lowering: "lowering only",
  two_up_one_down: "two up, one down",
  carry: "carried over a distance",
  stretch: "stretch",
};
