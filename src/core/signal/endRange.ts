import { z } from "zod";
import { InputError } from "../units/inputError";

/** What an angle sensor gives: seconds and degrees, the same number of each. */
export const angleTrace = z
  .object({
    timeS: z.array(z.number()).min(2).max(20_000),
    angleDeg: z.array(z.number().min(-30).max(180)).min(2).max(20_000),
  })
  .refine((t) => t.timeS.length === t.angleDeg.length, { error: "input.times_and_angles" });
export type AngleTrace = z.infer<typeof angleTrace>;

const STILL_S = 1;
const STILL_WITHIN_DEG = 3;
/** A hole in a trace from here on makes it useless. Dosing rules F5. */
const LONGEST_GAP_S = 0.25;

/**
 * The end of the range, degrees: the mean of the last second, if the leg was still in it. A leg that moved more than 3°
 * gives no reading, only a sentence.
 */
export function endRangeDeg(trace: AngleTrace): number {
  const end = trace.timeS[trace.timeS.length - 1] ?? 0;
  const last = trace.angleDeg.filter((_, i) => (trace.timeS[i] ?? 0) >= end - STILL_S);
  if (end - (trace.timeS[0] ?? 0) < STILL_S || last.length < 5)
    throw new InputError("value", { code: "input.reading_short" });
  const times = trace.timeS.filter((t) => t >= end - STILL_S);
  if (times.slice(1).some((t, i) => t - (times[i] as number) > LONGEST_GAP_S))
    throw new InputError("value", { code: "input.reading_gaps" });
  if (Math.max(...last) - Math.min(...last) > STILL_WITHIN_DEG)
    throw new InputError("value", { code: "input.reading_moved" });
  return last.reduce((sum, a) => sum + a, 0) / last.length;
}
