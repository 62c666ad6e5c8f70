import { daysBetween } from "../../units/days";

/** A visit as it counts here: its day, and how the morning after it was. */
export interface PastVisit {
  day: string;
  morning: { pain: number | null; swelling: number | null } | null;
}

const CALM_DAYS = 7;
/** 0 none, 1 trace */
const MOST_SWELLING = 1;

/**
 * Whether sets may be offered harder on a day: no sore or swollen morning within a week, and after surgery or where a knee is
 * easily stirred up the last visit's morning was answered. Rule L8.
 */
export function offersAreOpen(
  visits: readonly PastVisit[],
  { today, isStrict, painMax }: { today: string; isStrict: boolean; painMax: number },
): boolean {
  const past = visits.filter((v) => v.day < today).sort((a, b) => b.day.localeCompare(a.day));
  const isSore = ({ morning }: PastVisit) =>
    morning !== null && ((morning.pain ?? 0) > painMax || (morning.swelling ?? 0) > MOST_SWELLING);
  if (past.some((v) => daysBetween(v.day, today) <= CALM_DAYS && isSore(v))) return false;
  return !isStrict || past[0] === undefined || past[0].morning !== null;
}
