import "server-only";
import ICAL from "ical.js";
import { InputError } from "@/core/units/inputError";
import { type Ctx, dayAndHour } from "../base/context";

/** A day counts as taken when events cover so many hours of it between seven and nine in the evening [own]. */
const TAKEN_HOURS = 4;
const FROM_HOUR = 7;
const UNTIL_HOUR = 21;
const MOST_EVENTS = 3000;
const MOST_REPEATS = 1000;
const HOUR_MS = 3_600_000;

/**
 * Days between two ISO days that a client's calendar file takes up: whole days, and days with four or more hours of
 * events in waking time. Only times are read; titles and notes are not looked at and not kept. Times without a zone, and
 * zones that the file does not describe, are the clinic's. Throws InputError with what is wrong.
 */
export function busyDays(ctx: Ctx, text: string, from: string, until: string): string[] {
  const root = parsed(text);
  for (const zone of root.getAllSubcomponents("vtimezone"))
    ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  const events = root.getAllSubcomponents("vevent");
  if (events.length > MOST_EVENTS)
    throw new InputError("file", `This calendar has more than ${MOST_EVENTS} events. Export fewer months.`);
  const hours = new Map<string, Set<number>>();
  const taken = new Set<string>();
  for (const component of events) {
    if (component.getFirstPropertyValue("transp") === "TRANSPARENT") continue;
    if (component.getFirstPropertyValue("status") === "CANCELLED") continue;
    const event = new ICAL.Event(component);
    if (!event.startDate) continue;
    for (const { start, end, isDate } of occurrences(event, until)) {
      if (isDate) {
        for (let day = start.toString().slice(0, 10); day < end.toString().slice(0, 10); day = nextDay(day))
          if (day >= from && day <= until) taken.add(day);
      } else addHours(ctx, start.toJSDate(), end.toJSDate(), hours);
    }
  }
  for (const [day, set] of hours) if (set.size >= TAKEN_HOURS && day >= from && day <= until) taken.add(day);
  return [...taken].sort();
}

function parsed(text: string): InstanceType<typeof ICAL.Component> {
  const wrong = new InputError(
    "file",
    "This is not a calendar file (.ics). Export the calendar again and choose that file.",
  );
  try {
    const found: unknown = ICAL.parse(text);
    if (!Array.isArray(found) || found[0] !== "vcalendar") throw wrong;
    return new ICAL.Component(found);
  } catch {
    throw wrong;
  }
}

function occurrences(
  event: InstanceType<typeof ICAL.Event>,
  until: string,
): { start: ICAL.Time; end: ICAL.Time; isDate: boolean }[] {
  const isDate = event.startDate.isDate;
  if (!event.isRecurring()) return [{ start: event.startDate, end: event.endDate, isDate }];
  const found: { start: ICAL.Time; end: ICAL.Time; isDate: boolean }[] = [];
  const each = event.iterator();
  for (let i = 0; i < MOST_REPEATS; i++) {
    const next = each.next();
    if (!next || next.toString().slice(0, 10) > until) break;
    const one = event.getOccurrenceDetails(next);
    found.push({ start: one.startDate, end: one.endDate, isDate });
  }
  return found;
}

/** Half hours would say more than a calendar knows: each hour that an event touches counts once. */
function addHours(ctx: Ctx, start: Date, end: Date, hours: Map<string, Set<number>>): void {
  const last = Math.min(end.getTime(), start.getTime() + 400 * 24 * HOUR_MS);
  for (let at = start.getTime(); at < last; at += HOUR_MS) {
    const { day, hour } = dayAndHour(ctx, new Date(at));
    if (hour < FROM_HOUR || hour >= UNTIL_HOUR) continue;
    const set = hours.get(day) ?? new Set<number>();
    set.add(hour);
    hours.set(day, set);
  }
}

const nextDay = (iso: string): string =>
  new Date(Date.parse(`${iso}T00:00:00Z`) + 24 * HOUR_MS).toISOString().slice(0, 10);
