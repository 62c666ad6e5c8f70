import { z } from "zod";
import { painScore, uuid } from "../../units/fields";
import { SWAP_REASON_IDS } from "./swap";

/** A swap for today, or leaving the exercise out (`chosen` null). */
export const swapInput = z
  .object({
    id: uuid,
    planned: z.string().min(1, { error: "input.swap_planned" }),
    chosen: z.string().min(1).nullable(),
    reason: z.enum(SWAP_REASON_IDS, { error: "input.swap_why" }),
    pain: painScore.nullable(),
    words: z.string().trim().max(300, { error: "input.letters_most" }),
  })
  .refine((s) => s.reason !== "knee" || s.pain !== null, {
    path: ["pain"],
    error: "input.knee_pain",
  });
export type SwapInput = z.infer<typeof swapInput>;
