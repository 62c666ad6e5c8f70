import { z } from "zod";

const finite = z.number();

/** A force trace: times in s, strictly increasing, forces in N, same length. At most 2 minutes at 500 Hz. */
export const forceTrace = z
  .object({
    timeS: z.array(finite.min(0).max(600)).min(10, { error: "input.few_samples" }).max(60_000),
    forceN: z.array(finite.min(-200).max(5000)).min(10).max(60_000),
  })
  .refine((t) => t.timeS.length === t.forceN.length, { error: "input.times_and_forces" })
  .refine((t) => t.timeS.every((x, i) => i === 0 || x > (t.timeS[i - 1] as number)), {
    error: "input.times_rise",
  });
export type ForceTrace = z.infer<typeof forceTrace>;
