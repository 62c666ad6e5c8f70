/** Calendar days (ISO) and times in the reader's way. */

const asUtc = (isoDay: string): Date => new Date(`${isoDay}T00:00:00Z`);

export const longDay = (isoDay: string, locale: string): string =>
  new Intl.DateTimeFormat(locale, { weekday: "long", day: "numeric", month: "long", timeZone: "UTC" }).format(
    asUtc(isoDay),
  );

export const shortDay = (isoDay: string, locale: string): string =>
  new Intl.DateTimeFormat(locale, { day: "numeric", month: "short", timeZone: "UTC" }).format(asUtc(isoDay));

/** "today", "yesterday", "3 days ago", "in 12 days" */
export function relativeDay(isoDay: string, todayIso: string): string {
  const days = Math.round((asUtc(isoDay).getTime() - asUtc(todayIso).getTime()) / 86_400_000);
  if (days === 0) return "today";
  if (days === -1) return "yesterday";
  return days < 0 ? `${-days} days ago` : `in ${days} days`;
}

/** With the year, for what may be long ago. */
export const shortDate = (isoDay: string, locale: string): string =>
  new Intl.DateTimeFormat(locale, {
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone: "UTC",
  }).format(asUtc(isoDay));

/** Day and time of a moment, in the clinic's time zone. */
export const moment = (at: Date, locale: string, timeZone: string): string =>
  new Intl.DateTimeFormat(locale, {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone,
  }).format(at);
