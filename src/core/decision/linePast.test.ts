import type { LineDone } from "../visit/lineDone";
import { bankedIn, linePast } from "./linePast";

const DONE: LineDone = {
  painBefore: 1,
  painDuring: 1,
  reached: "top",
  reserve: 2,
  rangePct: 100,
  lostPosition: false,
  cleanShare: 1,
  faults: [],
  elsewhere: [],
  moreAid: null,
  usedKg: null,
};
const hold = (banks: boolean) => ({ action: "HOLD" as const, banks });
const past = (earlier: Partial<LineDone>[], worst: number | null = 1) =>
  linePast(
    [],
    earlier.map((d, i) => ({ daysAgo: 3 * (i + 1), done: { ...DONE, ...d } })),
    worst,
  );

test("good visits count back to the last step, whichever way it went", () => {
  expect(bankedIn([hold(true), hold(false), hold(true)])).toBe(2);
  expect(bankedIn([hold(true), { action: "PROGRESS", banks: false }, hold(true)])).toBe(1);
  expect(bankedIn([{ action: "REGRESS", banks: false }, hold(true)])).toBe(0);
});

test("nothing left twice running, with all of it done, says nothing; once or with a miss it does (L7)", () => {
  expect(past([{ reserve: 0 }, { reserve: 0 }]).saidNone).toBe(true);
  expect(past([{ reserve: 0 }]).saidNone).toBe(false);
  expect(past([{ reserve: 0 }, { reserve: 1 }]).saidNone).toBe(false);
  expect(past([{ reserve: 0 }, { reserve: 0, reached: "below" }]).saidNone).toBe(false);
});

test("the visit before says whether it was missed and stepped back; a swapped line in between says neither", () => {
  expect(past([{ reached: "below" }]).missedBefore).toBe(true);
  expect(past([{ reached: "top" }, { reached: "below" }]).missedBefore).toBe(false);
  expect(linePast([{ action: "REGRESS", banks: false }], [{ daysAgo: 2, done: null }], null)).toMatchObject({
    prevRegress: true,
    missedBefore: false,
    weekMean: null,
  });
});

test("the week's mean and its change count today's worst pain", () => {
  const found = linePast([], [{ daysAgo: 8, done: { ...DONE, painDuring: 1 } }], 4);
  expect(found).toMatchObject({ weekMean: 4, weekTrend: 3 });
});
