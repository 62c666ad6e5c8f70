import { countRepetitions } from "../../core/signal/countRepetitions";
import { seededRandom } from "./random";
import { simulateRepetitions } from "./simulateRepetitions";

const angles = (q: Parameters<typeof simulateRepetitions>[0], seed = 3) =>
  [...simulateRepetitions(q, seededRandom(seed))].map((s) => s.angleDeg);

test.each([5, 10, 15])(
  "%i repetitions are counted, the last as soon as the next begins or the range is back",
  (reps) => {
    const found = countRepetitions(angles({ fromDeg: 10, toDeg: 90, reps, repS: 4 }), {
      fromDeg: 10,
      toDeg: 90,
    });
    expect(found.reps).toBeGreaterThanOrEqual(reps - 1);
    expect(found.reps).toBeLessThanOrEqual(reps);
    expect(found.lostRange).toBe(false);
    const range = found.range as { fromDeg: number; toDeg: number };
    expect(Math.abs(range.toDeg - 88)).toBeLessThan(4);
  },
);

test("a repetition over half of the range is counted and said to have lost it", () => {
  const found = countRepetitions(angles({ fromDeg: 20, toDeg: 75, reps: 4, repS: 4 }), {
    fromDeg: 10,
    toDeg: 90,
  });
  expect(found.reps).toBeGreaterThanOrEqual(3);
  expect(found.lostRange).toBe(true);
});

test("a wobble and a still leg count nothing", () => {
  const planned = { fromDeg: 10, toDeg: 90 };
  expect(countRepetitions([], planned)).toEqual({ reps: 0, range: null, lostRange: false });
  expect(countRepetitions(angles({ fromDeg: 40, toDeg: 60, reps: 6, repS: 2 }), planned).reps).toBe(0);
});
