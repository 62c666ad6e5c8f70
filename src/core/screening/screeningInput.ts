import { z } from "zod";
import { uuid } from "../units/fields";
import { ANSWERS } from "./screening";

const reading = (what: string, least: number, most: number) =>
  z
    .number({ error: `Enter the ${what} reading as a number in mmHg.` })
    .int({ error: `Enter the ${what} reading as a whole number.` })
    .min(least, { error: `The ${what} reading must be between ${least} and ${most} mmHg.` })
    .max(most, { error: `The ${what} reading must be between ${least} and ${most} mmHg.` })
    .nullable();

/** A whole screening, as it was answered. Unsure counts as yes. */
export const screeningInput = z
  .object({
    id: uuid,
    answers: z
      .array(
        z.object({
          questionId: z.string().max(60),
          answer: z.enum(ANSWERS, { error: "Answer yes, no or unsure." }),
          escalations: z.array(z.string().max(200)).max(5),
          /** by itself, or with its group after each question of it was shown; only a no is answered so */
          askedAs: z.enum(["one", "group"]).default("one"),
        }),
      )
      .min(1, { error: "Answer the questions first." })
      .max(60),
    systolicMmHg: reading("upper", 60, 260),
    diastolicMmHg: reading("lower", 30, 160),
    /** why blood pressure was not taken where it is called for */
    pressureNotTaken: z
      .string()
      .trim()
      .min(5, { error: "Say in a few words why blood pressure was not taken." })
      .max(300, { error: "The reason is longer than 300 characters." })
      .nullish(),
  })
  .refine((s) => s.answers.every((a) => a.askedAs === "one" || a.answer === "no"), {
    path: ["answers"],
    error: "Only a no is answered for a whole group: answer yes and unsure one by one.",
  })
  .refine((s) => (s.systolicMmHg === null) === (s.diastolicMmHg === null), {
    path: ["diastolicMmHg"],
    error: "A blood pressure has two readings: enter both or none.",
  });
export type ScreeningInput = z.infer<typeof screeningInput>;

/** A sign is cleared by a therapist's own judgement or on a physician's word. */
export const signClearance = z.object({
  id: uuid,
  questionId: z.string().max(60),
  onWordOf: z.enum(["therapist", "physician"], { error: "Say whose word clears it." }),
  words: z
    .string({ error: "Say why it is cleared." })
    .trim()
    .min(5, { error: "Say why it is cleared: what was found, or who said what on which day." })
    .max(800, { error: "The reason is longer than 800 characters." }),
});
export type SignClearance = z.infer<typeof signClearance>;
