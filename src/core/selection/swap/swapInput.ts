import { z } from "zod";
import { painScore, uuid } from "../../units/fields";
import { SWAP_REASON_IDS } from "./swap";

/** A swap for today, or leaving the exercise out (`chosen` null). */
export const swapInput = z
  .object({
    id: uuid,
    planned: z.string().min(1, { error: "Say which exercise was planned." }),
    chosen: z.string().min(1).nullable(),
    reason: z.enum(SWAP_REASON_IDS, { error: "Choose why it is swapped." }),
    pain: painScore.nullable(),
    words: z.string().trim().max(300, { error: "300 letters at most." }),
  })
  .refine((s) => s.reason !== "knee" || s.pain !== null, {
    path: ["pain"],
    error: "Enter the knee's pain from 0 to 10.",
  });
export type SwapInput = z.infer<typeof swapInput>;
