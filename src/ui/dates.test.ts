import { LOCALES } from "@/core/access/preferences";
import { dayInWords } from "@/core/units/dayInWords";
import { longDay, readDay, relativeDay, shortDate, shortDay } from "./dates";

test.each([
  ["2026-03-02", "today"],
  ["2026-03-01", "yesterday"],
  ["2026-02-27", "3 days ago"],
  ["2026-03-14", "in 12 days"],
])("%s seen from 2 March is %s", (day, words) => {
  expect(relativeDay(day, "2026-03-02")).toBe(words);
});

test("days are written in the reader's way and never shift with the time zone", () => {
  expect(longDay("2026-03-02", "en-GB")).toBe("Monday 2 March");
  expect(longDay("2026-03-02", "en-US")).toBe("Monday, March 2");
  expect(shortDay("2026-12-31", "en-GB")).toBe("31 Dec");
  expect(dayInWords("2027-01-11")).toBe("11 Jan 2027");
});

test("what is written in the reader's way is read back as the same day", () => {
  for (const locale of LOCALES)
    for (const day of ["2026-11-28", "1999-01-01", "2028-02-29", "2026-03-05", "2026-05-12"])
      expect(`${locale} ${readDay(shortDate(day, locale), locale)}`).toBe(`${locale} ${day}`);
});

test.each([
  ["2026-11-28", "en-GB", "2026-11-28"],
  ["28/11/2026", "en-GB", "2026-11-28"],
  ["11/28/2026", "en-US", "2026-11-28"],
  ["5.3.2026", "de-DE", "2026-03-05"],
  ["03/05/2026", "en-US", "2026-03-05"],
  ["28112026", "en-GB", "2026-11-28"],
  ["11282026", "en-US", "2026-11-28"],
  ["28 november 2026", "nl-NL", "2026-11-28"],
  ["31/02/2026", "en-GB", null],
  ["28/11/26", "en-GB", null],
  ["11/28/2026", "en-GB", null],
  ["soon", "en-GB", null],
  ["", "en-GB", null],
])("%s in %s is %s", (text, locale, day) => {
  expect(readDay(text, locale)).toBe(day);
});
