import fc from "fast-check";
import { simulateHolds } from "../../isometrics/simulateHolds";
import { kneecapWeek } from "../../schedule/kneecapWeek";
import { setsToReserve } from "../../testdata/byFormula";
import { EXAMPLES } from "../../testdata/scoreContext";
import { setsOf } from "../schemes/scheme";
import { runThrough } from "../time/runThrough";
import { type FatigueLine, simulateSession } from "./sessionFatigue";

const PERSON = { k: 1, spread: 1.5 };
const lineOf = (over: Partial<FatigueLine> = {}): FatigueLine => ({
  id: "a",
  kind: "extension",
  sets: setsOf(EXAMPLES.straight),
  share: 0.7,
  shareError: 0.1,
  ...over,
});
const stepsOf = (lines: readonly FatigueLine[], legs: "one" | "in_turns" = "one") =>
  runThrough(lines.map((l) => ({ id: l.id, legs, sharesRests: false, machine: null, sets: l.sets })));

test("holds of one line come out as the holds alone", () => {
  const sets = setsOf(EXAMPLES.holds);
  const line = lineOf({ sets, share: 0.36, shareError: 0 });
  const [found] = simulateSession(stepsOf([line]), [line], { k: 1, spread: 1 });
  const alone = simulateHolds("knee", 0.36, EXAMPLES.holds);
  expect(found?.effort.value).toBeCloseTo(alone.effort10, 9);
  expect(found?.remaining).toBeCloseTo(alone.remaining, 9);
  expect(found?.effort.low).toBe(found?.effort.high);
});

test("repetitions of one line lose what the set-to-set rule says", () => {
  const line = lineOf({ share: 0.7 });
  const found = simulateSession(stepsOf([line]), [line], PERSON);
  const [rested] = setsToReserve(0.7, 1, 90, 0);
  expect(found).toHaveLength(3);
  expect(Math.floor((found[0]?.repetitionsLeft ?? 0) + 10)).toBe(rested?.reps);
  const left = found.map((f) => f.repetitionsLeft as number);
  expect(left).toEqual([...left].sort((a, b) => b - a));
  const heavy = simulateSession(stepsOf([line]), [{ ...line, share: 0.9 }], PERSON);
  expect(heavy.at(-1)?.endsAt).toMatchObject({ repetition: expect.any(Number) });
  expect(heavy.at(-1)?.effort.value).toBe(10);
});

test("a line tires what comes after it on the same muscle, and hardly what does not share it", () => {
  const first = lineOf({ id: "a" });
  const after = (kind: FatigueLine["kind"]) => {
    const lines = [first, lineOf({ id: "b", kind, sets: setsOf(EXAMPLES.straight).slice(0, 1) })];
    return simulateSession(stepsOf(lines), lines, PERSON).at(-1)?.repetitionsLeft ?? 0;
  };
  const fresh = simulateSession(stepsOf([first]), [first], PERSON)[0]?.repetitionsLeft ?? 0;
  expect(after("press_or_squat")).toBeLessThan(fresh - 0.3);
  expect(after("calf")).toBeCloseTo(fresh, 9);
});

test("the other leg is as fresh as the first, and the spread always holds the middle", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 0.85, noNaN: true }), fc.boolean(), (share, isHold) => {
      const sets = isHold ? setsOf({ ...EXAMPLES.holds, sets: 2, setRestS: 180 }) : setsOf(EXAMPLES.straight);
      const line = lineOf({ share, sets });
      const found = simulateSession(stepsOf([line], "in_turns"), [line], PERSON);
      const of = (leg: string) => found.filter((f) => f.leg === leg);
      expect(of("second").map((f) => f.effort.value)).toEqual([
        expect.closeTo(of("first")[0]?.effort.value as number, 6),
        ...of("second")
          .slice(1)
          .map(() => expect.any(Number)),
      ]);
      for (const f of found) {
        expect(f.effort.low).toBeLessThanOrEqual(f.effort.value + 1e-9);
        expect(f.effort.high).toBeGreaterThanOrEqual(f.effort.value - 1e-9);
        expect(f.effort.high).toBeLessThanOrEqual(10);
        expect(f.remaining).toBeGreaterThanOrEqual(0);
      }
    }),
    { numRuns: 60 },
  );
});

test("the kneecap's week with this session stands beside the week before it; without one there is nothing beside it", () => {
  const day = (daysAgo: number, kneecapChairS: number) => ({ daysAgo, kneecapChairS });
  expect(kneecapWeek(500, [])).toEqual({ thisWeek: 500, lastWeek: null });
  const past = [day(2, 200), day(7, 150), day(13, 200), day(14, 400)];
  expect(kneecapWeek(300, past)).toEqual({ thisWeek: 500, lastWeek: 350 });
});
