import { z } from "zod";
import { painScore } from "../units/fields";
import { MUSCLES, type Muscle } from "./balance";

/** How sore the muscles were the morning after, and where that was a lot; null: not asked. Soreness is not joint pain. */
export const soreness = z
  .object({ level: painScore, muscles: z.array(z.enum(MUSCLES)).max(MUSCLES.length) })
  .nullable();
export type Soreness = z.infer<typeof soreness>;

/** None, a little, a lot: what a client taps. */
export const SORENESS_LEVELS = [0, 3, 6] as const;

/** Up to here it is what new work does and goes by itself, by the school that is followed; above it a set less is next. Rules Sore 2, K22. */
export const SORE_UP_TO = { usual: 4, sign_of_work: 6, too_much: 2 } as const;
/** After so many days nobody is sore of a visit any more. */
const GONE_DAYS = 7;

/** Whether so much is asked where it was. */
export const isMuchSore = (level: number | null, upTo: number): boolean => level !== null && level > upTo;

/**
 * Which muscle groups get a set less in the visit that comes, by the morning after the last one; null: none. Where nobody said
 * which, all of them. Rule Sore 2.
 */
export function spareNext(
  last: { soreness: Soreness; daysAgo: number } | null,
  upTo: number,
): readonly Muscle[] | null {
  if (!last?.soreness || last.daysAgo > GONE_DAYS || !isMuchSore(last.soreness.level, upTo)) return null;
  return last.soreness.muscles.length > 0 ? last.soreness.muscles : MUSCLES;
}
