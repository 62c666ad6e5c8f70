import { z } from "zod";
import { uuid } from "../units/fields";

/** What a trainer asks a therapist for: each is beyond what a trainer may do alone. */
export const REQUEST_KIND_IDS = [
  "heavier",
  "wider",
  "other_exercise",
  "more_pain",
  "go_on",
  "other",
] as const;
export type RequestKind = (typeof REQUEST_KIND_IDS)[number];

export const requestAsked = z.object({
  id: uuid,
  kind: z.enum(REQUEST_KIND_IDS, { error: "Choose what is asked for." }),
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
