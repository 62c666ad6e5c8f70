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

const MONTHS = Array.from({ length: 12 }, (_, i) => i);

/** The order in which day, month and year stand, for example "dmy". */
const orderOf = (locale: string): string =>
  new Intl.DateTimeFormat(locale, { day: "2-digit", month: "2-digit", year: "numeric", timeZone: "UTC" })
    .formatToParts(asUtc("2026-11-28"))
    .map((p) => p.type.charAt(0))
    .filter((c) => "dmy".includes(c))
    .join("");

const monthNamed = (text: string, locale: string): number | null => {
  const begin = text.toLowerCase().replace(/\.$/, "").slice(0, 3);
  const found = MONTHS.findIndex((i) =>
    [locale, "en-GB"].some((l) =>
      (["long", "short"] as const).some((month) =>
        new Intl.DateTimeFormat(l, { month, timeZone: "UTC" })
          .format(Date.UTC(2026, i, 15))
          .toLowerCase()
          .startsWith(begin),
      ),
    ),
  );
  return begin.length < 3 || found < 0 ? null : found + 1;
};

/**
 * The ISO day in what somebody typed: 2026-11-28, 28.11.2026 or 28112026 in the reader's order, 28 Nov 2026. Null where
 * there is none: a day that does not exist, a year of two digits, or words.
 */
export function readDay(text: string, locale: string): string | null {
  const order = orderOf(locale);
  const parts = text.match(/\p{L}+\.?|\d+/gu) ?? [];
  const inOrder = (p: readonly string[], by: string) =>
    Object.fromEntries([...by].map((c, i) => [c, Number(p[i])])) as Record<"y" | "m" | "d", number>;
  let found: Record<"y" | "m" | "d", number> | null = null;
  const named = parts.findIndex((p) => /\p{L}/u.test(p));
  if (named >= 0 && parts.length === 3) {
    const month = monthNamed(parts[named] ?? "", locale);
    const [a = "", b = ""] = parts.filter((_, i) => i !== named);
    if (month !== null)
      found = { d: Number(a.length > 2 ? b : a), m: month, y: Number(a.length > 2 ? a : b) };
  } else if (parts.length === 3) found = inOrder(parts, parts[0]?.length === 4 ? "ymd" : order);
  else if (parts.length === 1 && /^\d{8}$/.test(parts[0] ?? "")) {
    const [all = ""] = parts;
    found = inOrder(
      order === "ymd"
        ? [all.slice(0, 4), all.slice(4, 6), all.slice(6)]
        : [all.slice(0, 2), all.slice(2, 4), all.slice(4)],
      order,
    );
  }
  if (!found || found.y < 1000 || found.y > 9999) return null;
  const iso = `${found.y}-${String(found.m).padStart(2, "0")}-${String(found.d).padStart(2, "0")}`;
  const date = new Date(`${iso}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(iso) ? iso : null;
}

/** Day and time of a moment, in the clinic's time zone. */
export const moment = (at: Date, locale: string, timeZone: string): string =>
  new Intl.DateTimeFormat(locale, {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone,
  }).format(at);

/** "09:12" on the clinic's clock. */
export const clockTime = (at: Date, locale: string, timeZone: string): string =>
  at.toLocaleTimeString(locale, { timeZone, hour: "2-digit", minute: "2-digit" });
