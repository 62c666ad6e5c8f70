import { z } from "zod";
import { type FieldName, uuid } from "../units/fields";
import { wrong } from "../units/wrong";
import { ANSWERS } from "./screening";

const reading = (field: FieldName, least: number, most: number) =>
  z
    .number({ error: wrong("input.reading_number", { field }) })
    .int({ error: wrong("input.reading_whole", { field }) })
    .min(least, { error: wrong("input.reading_range", { field, least, most }) })
    .max(most, { error: wrong("input.reading_range", { field, least, most }) })
    .nullable();

/** A whole screening, as it was answered. Unsure counts as yes. */
export const screeningInput = z
  .object({
    id: uuid,
    answers: z
      .array(
        z.object({
          questionId: z.string().max(60),
          answer: z.enum(ANSWERS, { error: "input.answer_question" }),
          escalations: z.array(z.string().max(200)).max(5),
          /** by itself, or with its group after each question of it was shown; only a no is answered so */
          askedAs: z.enum(["one", "group"]).default("one"),
        }),
      )
      .min(1, { error: "input.answer_first" })
      .max(60),
    systolicMmHg: reading("upper_reading", 60, 260),
    diastolicMmHg: reading("lower_reading", 30, 160),
    /** why blood pressure was not taken where it is called for */
    pressureNotTaken: z
      .string()
      .trim()
      .min(5, { error: "input.pressure_why" })
      .max(300, { error: "input.reason_long" })
      .nullish(),
  })
  .refine((s) => s.answers.every((a) => a.askedAs === "one" || a.answer === "no"), {
    path: ["answers"],
    error: "input.group_only_no",
  })
  .refine((s) => (s.systolicMmHg === null) === (s.diastolicMmHg === null), {
    path: ["diastolicMmHg"],
    error: "input.pressure_both",
  });
export type ScreeningInput = z.infer<typeof screeningInput>;

/** A sign is cleared by a therapist's own judgement or on a physician's word. */
export const signClearance = z.object({
  id: uuid,
  questionId: z.string().max(60),
  onWordOf: z.enum(["therapist", "physician"], { error: "input.cleared_by" }),
  words: z
    .string({ error: "input.cleared_why" })
    .trim()
    .min(5, { error: "input.cleared_why_few" })
    .max(800, { error: "input.reason_long" }),
});
export type SignClearance = z.infer<typeof signClearance>;
