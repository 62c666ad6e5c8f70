import { z } from "zod";
import { uuid } from "../units/fields";
import { scheme } from "./scheme";

/** One line of a session as it is saved. */
export const scoreLine = z.object({
  exerciseId: z.string().min(1, { error: "Choose an exercise." }),
  scheme,
  sides: z.union([z.literal(1), z.literal(2)], { error: "One side or both in turns." }),
});
export type ScoreLine = z.infer<typeof scoreLine>;

export const scoreInput = z.object({
  id: uuid,
  baseVersion: z.number().int().min(0),
  items: z
    .array(scoreLine)
    .min(1, { error: "A session needs an exercise at least." })
    .max(16, { error: "Sixteen exercises are the most of a session." }),
});
export type ScoreInput = z.infer<typeof scoreInput>;
