import { z } from "zod";
import { uuid } from "../units/fields";

/** What a trainer asks a therapist for: each is beyond what a trainer may do alone. */
export const REQUEST_KINDS = {
  heavier: "more load than planned",
  wider: "a wider range or another angle",
  other_exercise: "another exercise from now on",
  more_pain: "to go on in spite of pain",
  go_on: "to run it before the decision",
  other: "something else",
} as const;
export type RequestKind = keyof typeof REQUEST_KINDS;
const kinds = Object.keys(REQUEST_KINDS) as [RequestKind, ...RequestKind[]];

export const requestAsked = z.object({
  id: uuid,
  kind: z.enum(kinds, { error: "Choose what is asked for." }),
  /** the sheet and line that it is about, where it is about one */
  sheetId: uuid.nullable(),
  lineId: uuid.nullable(),
  words: z
    .string({ error: "Say why in a few words." })
    .trim()
    .min(3, { error: "Say why in a few words." })
    .max(500, { error: "This is longer than 500 characters." }),
});

export const requestAnswered = z
  .object({
    isAllowed: z.boolean(),
    answer: z.string().trim().max(500, { error: "This is longer than 500 characters." }).nullable(),
  })
  .refine((r) => r.isAllowed || (r.answer !== null && r.answer.length >= 3), {
    path: ["answer"],
    error: "Say why not, in a few words: the trainer reads it on the floor.",
  });
