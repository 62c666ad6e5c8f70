import { dayInWords } from "@/core/units/dayInWords";
import { longDay, relativeDay, shortDay } from "./dates";

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
