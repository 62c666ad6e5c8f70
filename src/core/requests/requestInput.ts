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
  kind: z.enum(REQUEST_KIND_IDS, { error: "input.choose_request" }),
  /** the sheet and line that it is about, where it is about one */
  sheetId: uuid.nullable(),
  lineId: uuid.nullable(),
  words: z
    .string({ error: "input.why_few" })
    .trim()
    .min(3, { error: "input.why_few" })
    .max(500, { error: "input.text_long" }),
});

export const requestAnswered = z
  .object({
    isAllowed: z.boolean(),
    answer: z.string().trim().max(500, { error: "input.text_long" }).nullable(),
  })
  .refine((r) => r.isAllowed || (r.answer !== null && r.answer.length >= 3), {
    path: ["answer"],
    error: "input.request_why_not",
  });
