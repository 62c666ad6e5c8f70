import type { RecheckSign, SignSaid } from "./recheckSigns";

/** The short list as it is asked of one client now. */
export interface RecheckAsk {
  signs: readonly RecheckSign[];
  /** nothing was done before: there is no last time to compare with */
  isFirst: boolean;
  /** the whole screening was answered so lately that only what is new since then is asked; null: it was not */
  screenedAt: Date | null;
}

/** A whole screening stands for the short list so long: one question, whether anything is new since [own]. */
export const SCREENED_LATELY_MS = 2 * 3_600_000;

/** When the last screening was answered, where that is lately; one of a clock ahead is not. */
export function screenedLately(answeredAt: Date | null, now: Date): Date | null {
  if (answeredAt === null) return null;
  const agoMs = now.getTime() - answeredAt.getTime();
  return agoMs >= 0 && agoMs <= SCREENED_LATELY_MS ? answeredAt : null;
}

/** A sign as it is asked: before the first session nothing is compared with the last. */
export const signSaid = (sign: RecheckSign, { isFirst }: Pick<RecheckAsk, "isFirst">): SignSaid => ({
  code: isFirst ? "visit.sign_at_first" : "visit.sign",
  sign,
});
