import { daysBetween } from "../../units/days";

export type SwellingTrend = "not_more" | "one_more" | "two_more";

/** So long a grade says something about today [own]. */
const FRESH_DAYS = 7;

/** The newest grade against the one of an earlier day. Nothing on two days: not more. */
export function swellingTrend(
  grades: readonly { on: string; grade: number }[],
  today: string,
): SwellingTrend {
  const sorted = [...grades].sort((a, b) => a.on.localeCompare(b.on));
  const newest = sorted.at(-1);
  const before = newest && sorted.filter((g) => g.on < newest.on).at(-1);
  if (!newest || !before || daysBetween(newest.on, today) > FRESH_DAYS) return "not_more";
  const rise = newest.grade - before.grade;
  return rise >= 2 ? "two_more" : rise === 1 ? "one_more" : "not_more";
}
