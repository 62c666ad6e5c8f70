import { z } from "zod";

/** A yes or no of the story, or its words there. */
const does = z.union([z.boolean(), z.string()]).transform((v) => v === true || v === "yes");
const share = z.number().min(0).max(1);

/** Somebody who lives the sixteen weeks: what is told to the product, and under `truth` what it never sees. */
export const trialPerson = z.object({
  name: z.string().min(1).max(80),
  condition: z.string(),
  variant: z.string(),
  phase: z.string(),
  /** weeks since surgery or onset at the start */
  week: z.number().min(0).max(520),
  ageYears: z.number().min(12).max(100),
  massKg: z.number().min(40).max(160),
  heightM: z.number().min(1.4).max(2.05),
  norm: z.enum(["female", "male"]).nullable(),
  side: z.enum(["left", "right"]),
  irritability: z.enum(["low", "moderate", "high"]),
  pain: z.object({ site: z.string(), usual: z.number().min(0).max(10), worst: z.number().min(0).max(10) }),
  goal: z.string().nullable(),
  rises: does,
  climbs: does,
  place: z.enum(["gym", "other_gym", "home"]),
  /** ISO weekdays, or how many of them */
  days: z.union([z.number().int().min(1).max(7), z.array(z.number().int().min(1).max(7)).min(1).max(7)]),
  minutes: z.number().min(10).max(120),
  truth: z.object({
    /** multiplies the middle of what is believed of an untested leg */
    errorOfGuess: z.number().min(0.3).max(3),
    /** what can be reached, times the start */
    potential: z.number().min(1.01).max(3),
    /** dose of a visit that the tissue takes; 1 is ten repetitions at 60 % of the start */
    takes: z.number().min(0.2).max(30),
    /** repetitions by which what is left is understated */
    reserveBias: z.number().min(-10).max(10),
    attends: share,
    answers: share,
    awayFromWeek: z.number().int().nullable(),
    awayWeeks: z.number().int().min(0).nullable(),
  }),
});
export type TrialPerson = z.infer<typeof trialPerson>;

const SPREAD: Readonly<Record<number, readonly number[]>> = {
  1: [1],
  2: [1, 4],
  3: [1, 3, 5],
  4: [1, 2, 4, 5],
  5: [1, 2, 3, 4, 5],
  6: [1, 2, 3, 4, 5, 6],
  7: [1, 2, 3, 4, 5, 6, 7],
};

/** Weekdays from 0, Monday, on which there is time. */
export const weekdaysOf = ({ days }: Pick<TrialPerson, "days">): number[] =>
  [...(typeof days === "number" ? (SPREAD[days] ?? []) : days)].map((d) => d - 1).sort();
