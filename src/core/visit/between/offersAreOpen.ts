import { daysBetween } from "../../units/days";

/** A visit as it counts here: its day, and how the morning after it was. */
export interface PastVisit {
  day: string;
  morning: { pain: number | null; swelling: number | null } | null;
}

const CALM_DAYS = 7;
/** 0 none, 1 trace */
const MOST_SWELLING = 1;
/** So much over the usual pain is a flare (R4), whatever the most that is allowed. */
const FLARE_OVER_USUAL = 2;

/** What pain is held against: the most that is allowed, and what is usual. */
export interface PainKnown {
  painMax: number;
  usualPain: number;
}

/** The morning after was sore or swollen. Rules L8, P5. */
export const isSore = ({ morning }: PastVisit, { painMax, usualPain }: PainKnown): boolean =>
  morning !== null &&
  ((morning.pain ?? 0) > painMax ||
    (morning.pain ?? 0) >= usualPain + FLARE_OVER_USUAL ||
    (morning.swelling ?? 0) > MOST_SWELLING);

/**
 * Whether sets may be offered harder on a day: no sore or swollen morning within a week, and after surgery or where a knee is
 * easily stirred up the last visit's morning was answered. Rule L8.
 */
export function offersAreOpen(
  visits: readonly PastVisit[],
  { today, isStrict, ...pain }: { today: string; isStrict: boolean } & PainKnown,
): boolean {
  const past = visits.filter((v) => v.day < today).sort((a, b) => b.day.localeCompare(a.day));
  if (past.some((v) => daysBetween(v.day, today) <= CALM_DAYS && isSore(v, pain))) return false;
  return !isStrict || past[0] === undefined || past[0].morning !== null;
}
