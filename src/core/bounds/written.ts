import { z } from "zod";
import { uuid } from "../units/fields";
import { type BOUND_KINDS, boundKind, WRITABLE_KIND_IDS } from "./kinds";

const words = z
  .string({ error: "Say why this limit is set." })
  .trim()
  .min(3, { error: "Say why this limit is set, in a few words." })
  .max(500, { error: "The reason is longer than 500 characters." });

/** A limit as surgeon or therapist set it, or a change of one (`replaces`), or its end (`isLifted`). */
export const writtenLimit = z
  .object({
    id: uuid,
    kind: z.enum(WRITABLE_KIND_IDS, { error: "Choose what the limit bounds." }),
    low: z.number({ error: "Enter the lower end as a number." }).nullable(),
    high: z.number({ error: "Enter the upper end as a number." }).nullable(),
    word: z.string().nullable(),
    origin: z.enum(["surgeon", "therapist"], { error: "Choose whose limit it is." }),
    reason: words,
    endsOn: z.iso.date({ error: "Enter the last day as a date, or leave it empty." }).nullable(),
    replaces: uuid.nullable(),
    isLifted: z.boolean(),
    /** the person has read that a colleague changed it meanwhile, and wants theirs all the same */
    evenIfChanged: z.boolean(),
  })
  .superRefine((l, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
    const spec = boundKind(l.kind);
    if (spec.shape === "names") return say("kind", "Choose what the limit bounds.");
    if (spec.shape === "word") {
      if (l.word === null || !spec.scale.includes(l.word))
        say("word", `Choose one of the steps of ${spec.name}.`);
      const isArc = l.kind === "open_chain_extension" && l.word === "arc";
      if (isArc && (l.low === null || l.high === null))
        say("high", "Enter the arc: its straight and its bent end.");
      if (!isArc && (l.low !== null || l.high !== null)) say("high", `${spec.name} takes no angle here.`);
    } else if (l.word !== null) say("word", `${spec.name} is a number, not a word.`);
    if (spec.shape === "most" && (l.high === null || l.low !== null))
      say("high", `Enter the most for ${spec.name}.`);
    if (spec.shape === "least" && (l.low === null || l.high !== null))
      say("low", `Enter the least for ${spec.name}.`);
    if (spec.shape === "window" && l.low === null && l.high === null)
      say("high", "Enter a lower end, an upper end or both.");
    const { least, most, unit } = { least: 0, most: 130, unit: "°", ...spec };
    for (const [path, x] of [
      ["low", l.low],
      ["high", l.high],
    ] as const)
      if (x !== null && (x < least || x > most))
        say(path, `${spec.name} lies between ${least} and ${most} ${unit}.`);
    if (l.low !== null && l.high !== null && l.low >= l.high)
      say("low", "The lower end must be below the upper end. 0° is straight.");
  });
export type WrittenLimit = z.infer<typeof writtenLimit>;

/** Kinds a therapist must set by hand before work starts when the rule base does not cover the condition. */
export const NEEDED_BY_HAND = [
  "knee_flexion_under_load",
  "hold_effort",
  "weight_bearing",
  "joint_pain",
] as const satisfies readonly (keyof typeof BOUND_KINDS)[];
