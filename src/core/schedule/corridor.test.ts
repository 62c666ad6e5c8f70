import fc from "fast-check";
import { daysAfter } from "../units/days";
import { corridorOf, type TissueVisit } from "./corridor";

const TODAY = "2026-06-30";
const LOW = { irritability: "low", isTold: true } as const;
/** Visits every second day, the last one two days ago. */
const visits = (...all: [number, TissueVisit["morning"]][]): TissueVisit[] =>
  all.map(([dose, morning], i) => ({ day: daysAfter(TODAY, -2 * (all.length - i)), dose, morning }));
const of = (v: TissueVisit[], who: Parameters<typeof corridorOf>[2] = LOW) => corridorOf(v, TODAY, who);

test("nothing is known: a start that is smaller for an irritable joint, and none where no part can be told apart (W4)", () => {
  expect(of([])).toEqual({ well: null, sore: null, most: 4, isGuess: true });
  expect(of([], { ...LOW, irritability: "high" }).most).toBe(3);
  expect(of([], { ...LOW, isTold: false }).most).toBeGreaterThan(50);
});

test("a quarter more than what went well twice, or one set more where that is larger", () => {
  expect(of(visits([10, "well"], [8, "well"], [6, "well"]))).toMatchObject({ well: 8, most: 10 });
  expect(of(visits([3.6, "well"], [3.5, "well"])).most).toBeCloseTo(4.5);
  // one day alone may have been luck
  expect(of(visits([10, "well"])).most).toBe(4);
});

test("below nine tenths of what was sore, its middle; what went well before it counts no more", () => {
  const found = of(visits([8, "well"], [8, "well"], [10, "sore"]));
  expect(found).toMatchObject({ well: null, sore: 10, most: 4 });
  expect(of(visits([4, "sore"], [4, "sore"])).most).toBeCloseTo(3.6);
  expect(of(visits([9, "sore"], [5, "sore"], [6, "sore"])).sore).toBe(6);
  // never nothing
  expect(of(visits([0.5, "sore"])).most).toBe(2);
});

test("three good mornings after nearly as much overrule a sore one; after less they do not", () => {
  const after = (dose: number) =>
    of(visits([8, "sore"], [dose, "well"], [dose, "well"], [dose, "well"])).sore;
  expect(after(6)).toBeNull();
  expect(after(5.9)).toBe(8);
});

test("a sore morning after far less than what went well three times before says nothing of how much is too much", () => {
  const before = (dose: number) =>
    of(visits([dose, "well"], [dose, "well"], [dose, "well"], [4, "sore"], [4, "well"]));
  expect(before(5)).toMatchObject({ sore: null, well: 5 });
  expect(before(4.9)).toMatchObject({ sore: 4, well: null });
});

test("mornings that nobody answered, today's and those of more than six weeks ago say nothing; six make it more than a guess", () => {
  const many = visits(...Array.from({ length: 6 }, (): [number, "well"] => [5, "well"]));
  expect(of(many).isGuess).toBe(false);
  expect(of(many.slice(1)).isGuess).toBe(true);
  expect(of(visits([9, null], [9, null]))).toEqual(of([]));
  expect(of([{ day: TODAY, dose: 1, morning: "sore" }])).toEqual(of([]));
  expect(of([{ day: daysAfter(TODAY, -43), dose: 1, morning: "sore" }])).toEqual(of([]));
});

test("a sore morning never gives more room, whatever came before it", () => {
  const any = fc.array(
    fc.tuple(fc.double({ min: 0.1, max: 30, noNaN: true }), fc.constantFrom("well", "sore", null)),
    { maxLength: 18 },
  );
  fc.assert(
    fc.property(any, fc.double({ min: 0.1, max: 30, noNaN: true }), (all, dose) => {
      const before = of(visits(...(all as [number, "well"][]), [dose, null]));
      const after = of(visits(...(all as [number, "well"][]), [dose, "sore"]));
      // of several sore ones the middle counts: a larger one may move it up, no further than its own nine tenths
      expect(after.most).toBeLessThanOrEqual(Math.max(before.most, 0.9 * dose) + 1e-9);
    }),
  );
});
