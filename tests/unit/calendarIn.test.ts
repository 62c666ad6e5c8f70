import type { Actor } from "@/server/base/context";
import { busyDays } from "@/server/week/calendarIn";

const ctx = { actor: { timeZone: "Europe/Amsterdam" } as Actor };
const read = (text: string, from = "2026-11-02", until = "2026-11-30") => busyDays(ctx, text, from, until);
const calendar = (...parts: string[]) =>
  ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//made up//test//EN", ...parts, "END:VCALENDAR"].join("\r\n");
const event = (...lines: string[]) =>
  ["BEGIN:VEVENT", "DTSTAMP:20260101T000000Z", ...lines, "END:VEVENT"].join("\r\n");
const JOB = [
  "UID:job",
  "DTSTART;TZID=Europe/Amsterdam:20210104T080000",
  "DTEND;TZID=Europe/Amsterdam:20210104T160000",
];
const WORKDAYS = "RRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR";

test("a job since 2021 takes every working day, counted from its start", async () => {
  const days = await read(calendar(event(...JOB, WORKDAYS)));
  expect(days).toHaveLength(21);
  expect(days[0]).toBe("2026-11-02");
  // so does one of every second day since the year 2000: its parity is that of its start
  const odd = await read(
    calendar(event("UID:x", "DTSTART;VALUE=DATE:20000101", "RRULE:FREQ=DAILY;INTERVAL=2")),
  );
  expect(odd).toContain("2026-11-02");
  expect(odd).not.toContain("2026-11-03");
});

test("an occurrence that was cancelled, left out or moved is where it is now; other series are untouched", async () => {
  const text = calendar(
    event(...JOB, WORKDAYS, "EXDATE;TZID=Europe/Amsterdam:20261103T080000"),
    event(
      "UID:job",
      "RECURRENCE-ID;TZID=Europe/Amsterdam:20261104T080000",
      "DTSTART;TZID=Europe/Amsterdam:20261104T080000",
      "STATUS:CANCELLED",
    ),
    event(
      ...["UID:job", "RECURRENCE-ID;TZID=Europe/Amsterdam:20261105T080000"],
      ...["DTSTART;TZID=Europe/Amsterdam:20261107T080000", "DTEND;TZID=Europe/Amsterdam:20261107T160000"],
    ),
    event("UID:choir", "DTSTART;VALUE=DATE:20261104", "DTEND;VALUE=DATE:20261105"),
  );
  const days = await read(text);
  for (const day of ["2026-11-03", "2026-11-05"]) expect(days).not.toContain(day);
  for (const day of ["2026-11-02", "2026-11-04", "2026-11-06", "2026-11-07", "2026-11-09"])
    expect(days).toContain(day);
  const without = await read(
    calendar(
      event(...JOB, WORKDAYS),
      event(
        "UID:job",
        "RECURRENCE-ID;TZID=Europe/Amsterdam:20261104T080000",
        "DTSTART;TZID=Europe/Amsterdam:20261104T080000",
        "STATUS:CANCELLED",
      ),
    ),
  );
  expect(without).not.toContain("2026-11-04");
});

test("a zone by its name needs no definition, one that a file defines is not kept for the next file", async () => {
  // 22:00 to 05:00 in New York is the morning in Amsterdam
  const night = (zone: string) =>
    event("UID:n", `DTSTART;TZID=${zone}:20261109T220000`, `DTEND;TZID=${zone}:20261110T050000`);
  expect(await read(calendar(night("America/New_York")))).toEqual(["2026-11-10"]);
  const defined = [
    ...["BEGIN:VTIMEZONE", "TZID:House", "BEGIN:STANDARD", "DTSTART:19700101T000000"],
    ...["TZOFFSETFROM:-0500", "TZOFFSETTO:-0500", "END:STANDARD", "END:VTIMEZONE"],
  ].join("\r\n");
  expect(await read(calendar(defined, night("House")))).toEqual(["2026-11-10"]);
  // unknown, and nobody's definition of it is left: the clinic's own hours, which are the night
  expect(await read(calendar(night("House")))).toEqual([]);
});

test("free and busy times, a byte-order mark and several calendars in one file are read", async () => {
  const busy = [
    "BEGIN:VFREEBUSY",
    "UID:b",
    "DTSTAMP:20260101T000000Z",
    "FREEBUSY;FBTYPE=BUSY:20261112T080000Z/20261112T140000Z,20261113T080000Z/PT6H",
    "FREEBUSY;FBTYPE=FREE:20261116T080000Z/20261116T140000Z",
    "END:VFREEBUSY",
  ].join("\r\n");
  const text = `\uFEFF${calendar(busy)}\r\n${calendar(event("UID:d", "DTSTART;VALUE=DATE:20261118"))}`;
  expect(await read(text)).toEqual(["2026-11-12", "2026-11-13", "2026-11-18"]);
});

test("what would never end, lasts for thousands of years or is no calendar is answered, and holds nothing up", async () => {
  const never = calendar(
    event("UID:n", "DTSTART;VALUE=DATE:20260130", "RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30"),
  );
  const tick = { late: 0 };
  let last = performance.now();
  const timer = setInterval(() => {
    tick.late = Math.max(tick.late, performance.now() - last - 50);
    last = performance.now();
  }, 50);
  await expect(read(never)).rejects.toThrow(/takes too long to work out|repeats too often/);
  clearInterval(timer);
  // the thread of whoever asked went on all the while: seconds of work did not stand in its way
  expect(tick.late).toBeLessThan(3000);
  const ages = calendar(event("UID:a", "DTSTART;VALUE=DATE:00010101", "DTEND;VALUE=DATE:80000101"));
  expect(await read(ages)).toHaveLength(29);
  const hourly = Array.from({ length: 25 }, (_, i) =>
    event(`UID:h${i}`, "DTSTART:19900101T000000Z", "DTEND:19900101T000500Z", "RRULE:FREQ=HOURLY"),
  );
  await expect(read(calendar(...hourly))).rejects.toThrow(/repeats too often|takes too long/);
  for (const wrong of [
    "",
    "hello",
    "BEGIN:VCALENDAR",
    "{}",
    "BEGIN:VCARD\r\nEND:VCARD",
    "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:yesterday\r\nEND:VEVENT\r\nEND:VCALENDAR",
  ])
    await expect(read(wrong)).rejects.toThrow(/calendar file/);
  await expect(read(calendar(), "2026-11-30", "2026-11-01")).rejects.toThrow(/its end after its beginning/);
});
