import fc from "fast-check";
import { inWords } from "../testdata/inWords";
import { morningNotYet } from "./morningOpens";

test("opens at 04:00 of the next calendar day and stays open, over months' and years' ends", () => {
  expect(inWords(morningNotYet("2026-12-31", { day: "2027-01-01", hour: 3 }))).toMatch(/04:00 on 1 Jan 2027/);
  expect(morningNotYet("2026-12-31", { day: "2027-01-01", hour: 4 })).toBeNull();
  expect(morningNotYet("2028-02-28", { day: "2028-02-29", hour: 4 })).toBeNull();
  expect(morningNotYet("2026-02-28", { day: "2026-03-01", hour: 4 })).toBeNull();
  fc.assert(
    fc.property(
      fc.date({ min: new Date("2020-01-01"), max: new Date("2040-01-01"), noInvalidDate: true }),
      fc.integer({ min: -3, max: 10 }),
      fc.integer({ min: 0, max: 23 }),
      (at, later, hour) => {
        const day = (n: number) => new Date(at.getTime() + n * 86_400_000).toISOString().slice(0, 10);
        const isOpen = morningNotYet(day(0), { day: day(later), hour }) === null;
        expect(isOpen).toBe(later > 1 || (later === 1 && hour >= 4));
      },
    ),
  );
});
