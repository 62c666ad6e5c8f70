import { daysBetween } from "../units/days";

/** So many days before a goal's date half the sets are done, at the same load. Rule "Goal date". */
const THIN_DAYS = 7;

/** The date of a goal within the next week, the nearest; null: none. The day itself is the client's own. */
export function thinUntil(goals: readonly { on?: string | null }[], today: string): string | null {
  const near = goals.flatMap(({ on }) => {
    const left = on ? daysBetween(today, on) : 0;
    return on && left >= 1 && left <= THIN_DAYS ? [on] : [];
  });
  return near.sort()[0] ?? null;
}

/** Full weeks until a day; null where it is over. */
export const weeksUntil = (on: string, today: string): number | null =>
  on < today ? null : Math.floor(daysBetween(today, on) / 7);
