// Reads a calendar file (RFC 5545) in a thread of its own, which is ended when it takes too long: a rule of a few bytes can
// ask for endless work. Started by src/server/week/calendarIn.ts; says { days } or { sentence }.
import { parentPort, workerData } from "node:worker_threads";
import ICAL from "ical.js";

const { text, from, until, zone, limits } = workerData;
const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

class Wrong extends Error {}

/** Parts of a moment in a zone, as numbers. */
const formats = new Map();
function formatOf(timeZone) {
  let made = formats.get(timeZone);
  if (made === undefined) {
    try {
      made = new Intl.DateTimeFormat("en-CA", {
        timeZone,
        ...{
          year: "numeric",
          month: "2-digit",
          day: "2-digit",
          hour: "2-digit",
          minute: "2-digit",
          second: "2-digit",
        },
        hourCycle: "h23",
      });
    } catch {
      made = null;
    }
    formats.set(timeZone, made);
  }
  return made;
}
function partsIn(timeZone, ms) {
  const parts = Object.fromEntries(
    formatOf(timeZone)
      .formatToParts(new Date(ms))
      .map((p) => [p.type, Number(p.value)]),
  );
  return parts;
}
const offsetMs = (timeZone, ms) => {
  const p = partsIn(timeZone, ms);
  return Date.UTC(p.year, p.month - 1, p.day, p.hour, p.minute, p.second) - Math.floor(ms / 1000) * 1000;
};
/** The moment of a wall time in a zone. */
function momentIn(timeZone, wallMs) {
  const guess = wallMs - offsetMs(timeZone, wallMs);
  return wallMs - offsetMs(timeZone, guess);
}

const wallMs = (t) => Date.UTC(t.year, t.month - 1, t.day, t.hour, t.minute, t.second);

/** Milliseconds of a time: by its own zone where the file describes it or the world knows its name, else the clinic's. */
function momentOf(time, tzid) {
  if (time.zone === ICAL.Timezone.utcTimezone) return wallMs(time);
  const known = time.zone && time.zone !== ICAL.Timezone.localTimezone ? time.zone : null;
  if (known) return time.toUnixTime() * 1000;
  return momentIn(tzid && formatOf(tzid) ? tzid : zone, wallMs(time));
}
const tzidOf = (component) => component.getFirstProperty("dtstart")?.getParameter("tzid") ?? null;

const taken = new Set();
const hours = new Map();
const [fromMs, untilMs] = [Date.parse(`${from}T00:00:00Z`), Date.parse(`${until}T00:00:00Z`)];
const dayText = (ms) => new Date(ms).toISOString().slice(0, 10);

/** Whole days, the last not counted; nothing outside of what was asked for is walked through. */
function addDays(start, end) {
  const first = Math.max(Date.UTC(start.year, start.month - 1, start.day), fromMs);
  const last = Math.min(Date.UTC(end.year, end.month - 1, end.day), untilMs + DAY_MS);
  for (let at = first; at < last; at += DAY_MS) taken.add(dayText(at));
}
/** Half hours would say more than a calendar knows: each hour that an event touches counts once. */
function addHours(startMs, endMs) {
  const first = Math.max(startMs, fromMs - 2 * DAY_MS);
  const last = Math.min(endMs, untilMs + 2 * DAY_MS);
  for (let at = first; at < last; at += HOUR_MS) {
    const p = partsIn(zone, at);
    if (p.hour < limits.fromHour || p.hour >= limits.untilHour) continue;
    const day = dayText(Date.UTC(p.year, p.month - 1, p.day));
    if (!hours.has(day)) hours.set(day, new Set());
    hours.get(day).add(p.hour);
  }
}

const isFree = (component) =>
  component.getFirstPropertyValue("transp") === "TRANSPARENT" ||
  component.getFirstPropertyValue("status") === "CANCELLED";

function addOne(component, start, end) {
  if (isFree(component)) return;
  if (start.isDate) return addDays(start, end);
  const tzid = tzidOf(component);
  addHours(momentOf(start, tzid), momentOf(end, tzid));
}

let steps = 0;
function addSeries(master, exceptions) {
  const event = new ICAL.Event(master, { exceptions, strictExceptions: true });
  if (!event.startDate) return;
  if (!event.isRecurring()) return addOne(master, event.startDate, event.endDate);
  const each = event.iterator();
  for (let next = each.next(); next; next = each.next()) {
    if (Date.UTC(next.year, next.month - 1, next.day) > untilMs + 2 * DAY_MS) break;
    steps += 1;
    if (steps > limits.mostSteps)
      throw new Wrong(
        "This calendar repeats too often to be read here. Export fewer months, or without what repeats.",
      );
    if (Date.UTC(next.year, next.month - 1, next.day) < fromMs - limits.longestDays * DAY_MS) continue;
    const one = event.getOccurrenceDetails(next);
    addOne(one.item.component, one.startDate, one.endDate);
  }
  // an occurrence that was moved into this time from outside of it
  for (const exception of exceptions) {
    const moved = new ICAL.Event(exception);
    const was = exception.getFirstPropertyValue("recurrence-id");
    if (moved.startDate && was && Date.UTC(was.year, was.month - 1, was.day) > untilMs + 2 * DAY_MS)
      addOne(exception, moved.startDate, moved.endDate);
  }
}

function addFreeBusy(component) {
  for (const property of component.getAllProperties("freebusy")) {
    if (/^FREE$/i.test(property.getParameter("fbtype") ?? "BUSY")) continue;
    for (const period of property.getValues())
      addHours(momentOf(period.start, null), momentOf(period.getEnd(), null));
  }
}

function calendarsIn() {
  let found;
  try {
    found = ICAL.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    found = null;
  }
  const all = Array.isArray(found) && Array.isArray(found[0]) ? found : [found];
  if (all.length === 0 || !all.every((c) => Array.isArray(c) && c[0] === "vcalendar"))
    throw new Wrong("This is not a calendar file (.ics). Export the calendar again and choose that file.");
  return all.map((c) => new ICAL.Component(c));
}

function read() {
  for (const calendar of calendarsIn()) {
    for (const z of calendar.getAllSubcomponents("vtimezone"))
      ICAL.TimezoneService.register(new ICAL.Timezone(z));
    const events = calendar.getAllSubcomponents("vevent");
    if (events.length > limits.mostEvents)
      throw new Wrong(`This calendar has more than ${limits.mostEvents} events. Export fewer months.`);
    const masters = new Map();
    const exceptions = new Map();
    for (const [i, e] of events.entries()) {
      const uid = e.getFirstPropertyValue("uid") ?? `without ${i}`;
      if (!e.hasProperty("recurrence-id")) masters.set(masters.has(uid) ? `${uid} ${i}` : uid, e);
      else exceptions.set(uid, [...(exceptions.get(uid) ?? []), e]);
    }
    for (const [uid, master] of masters) addSeries(master, exceptions.get(uid) ?? []);
    // changed occurrences of a series that is not in this file stand for themselves
    for (const [uid, own] of exceptions)
      if (!masters.has(uid))
        for (const e of own) {
          const event = new ICAL.Event(e);
          if (event.startDate) addOne(e, event.startDate, event.endDate);
        }
    for (const f of calendar.getAllSubcomponents("vfreebusy")) addFreeBusy(f);
  }
  for (const [day, set] of hours) if (set.size >= limits.takenHours) taken.add(day);
  return [...taken].filter((day) => day >= from && day <= until).sort();
}

try {
  parentPort.postMessage({ days: read() });
} catch (error) {
  parentPort.postMessage({
    sentence:
      error instanceof Wrong
        ? error.message
        : "Something in this calendar file cannot be read. Export the calendar again and choose that file.",
  });
}
