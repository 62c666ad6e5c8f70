import { z } from "zod";
import { uuid } from "../units/fields";
import { wrong } from "../units/wrong";
import { type BOUND_KINDS, boundKind, WRITABLE_KIND_IDS } from "./kinds";

const words = z
  .string({ error: "input.limit_why" })
  .trim()
  .min(3, { error: "input.limit_why_few" })
  .max(500, { error: "input.reason_long" });

/** A limit as surgeon or therapist set it, or a change of one (`replaces`), or its end (`isLifted`). */
export const writtenLimit = z
  .object({
    id: uuid,
    kind: z.enum(WRITABLE_KIND_IDS, { error: "input.choose_limit" }),
    low: z.number({ error: "input.lower_end" }).nullable(),
    high: z.number({ error: "input.upper_end" }).nullable(),
    word: z.string().nullable(),
    origin: z.enum(["surgeon", "therapist"], { error: "input.choose_whose_limit" }),
    reason: words,
    endsOn: z.iso.date({ error: "input.last_day" }).nullable(),
    replaces: uuid.nullable(),
    isLifted: z.boolean(),
    /** the person has read that a colleague changed it meanwhile, and wants theirs all the same */
    evenIfChanged: z.boolean(),
  })
  .superRefine((l, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
    const spec = boundKind(l.kind);
    const limit = spec.name;
    if (spec.shape === "names") return say("kind", "input.choose_limit");
    if (spec.shape === "word") {
      if (l.word === null || !spec.scale.includes(l.word)) say("word", wrong("input.limit_step", { limit }));
      const isArc = l.kind === "open_chain_extension" && l.word === "arc";
      if (isArc && (l.low === null || l.high === null)) say("high", "input.limit_arc");
      if (!isArc && (l.low !== null || l.high !== null))
        say("high", wrong("input.limit_no_angle", { limit }));
    } else if (l.word !== null) say("word", wrong("input.limit_no_word", { limit }));
    if (spec.shape === "most" && (l.high === null || l.low !== null))
      say("high", wrong("input.limit_most", { limit }));
    if (spec.shape === "least" && (l.low === null || l.high !== null))
      say("low", wrong("input.limit_least", { limit }));
    if (spec.shape === "window" && l.low === null && l.high === null) say("high", "input.limit_one_end");
    const { least, most, unit } = { least: 0, most: 130, unit: "°", ...spec };
    for (const [path, x] of [
      ["low", l.low],
      ["high", l.high],
    ] as const)
      if (x !== null && (x < least || x > most))
        say(path, wrong("input.limit_range", { limit, least, most, unit }));
    if (l.low !== null && l.high !== null && l.low >= l.high) say("low", "input.limit_order");
  });
export type WrittenLimit = z.infer<typeof writtenLimit>;

/** Kinds a therapist must set by hand before work starts when the rule base does not cover the condition. */
export const NEEDED_BY_HAND = [
  "knee_flexion_under_load",
  "hold_effort",
  "weight_bearing",
  "joint_pain",
] as const satisfies readonly (keyof typeof BOUND_KINDS)[];
