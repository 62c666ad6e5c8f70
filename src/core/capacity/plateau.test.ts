import fc from "fast-check";
import { daysAfter } from "../units/days";
import type { Moved } from "./learn";
import { type PlateauFacts, plateauOf } from "./plateau";

const TODAY = "2026-03-02";
const moved = (daysAgo: number, toNm: number, over: Partial<Moved> = {}): Moved => ({
  ...{
    on: daysAfter(TODAY, -daysAgo),
    id: `v${daysAgo}`,
    kind: "sets",
    stationId: "a",
    fromNm: toNm,
    toNm,
    sd: 0.08,
  },
  odd: null,
  ...over,
});
const facts = (over: Partial<PlateauFacts> = {}): PlateauFacts => ({
  moved: [moved(35, 100), moved(28, 100), moved(10, 103), moved(2, 104)],
  today: TODAY,
  ...{ visits: 8, planned: null, setsAWeek: 7, leastSets: 5, leftOver: 0, soreMornings: 0 },
  ...over,
});

test("four weeks of work and less gained than is doubted is a plateau; what grows, was not tried or is too doubtful is none (P5)", () => {
  expect(plateauOf(facts())).toEqual({ fromNm: 100, toNm: 104, doubt: 0.08, because: ["other_exercise"] });
  expect(plateauOf(facts({ moved: [moved(28, 100), moved(2, 109)] }))).toBeNull();
  expect(plateauOf(facts({ moved: [moved(27, 100), moved(2, 100)] }))).toBeNull();
  expect(plateauOf(facts({ moved: [moved(30, 100), moved(2, 100, { sd: 0.13 })] }))).toBeNull();
  expect(plateauOf(facts({ moved: [moved(30, 130, { sd: 0.3 }), moved(2, 100)] }))).toBeNull();
  expect(plateauOf(facts({ visits: 6 }))).toBeNull();
  expect(plateauOf(facts({ visits: 6, planned: 8 }))).toBeNull();
  expect(plateauOf(facts({ visits: 7, planned: 8 }))).not.toBeNull();
  // what waits for somebody's word is no growth
  const slip = moved(1, 140, { odd: "waits" });
  expect(plateauOf(facts({ moved: [...facts().moved, slip] }))?.toNm).toBe(104);
});

test("what fits it is named: held back first, then too few sets, then too light; else another exercise", () => {
  expect(plateauOf(facts({ soreMornings: 2, setsAWeek: 4, leftOver: 2 }))?.because).toEqual([
    ...["held", "few_sets", "light"],
  ]);
  fc.assert(
    fc.property(
      fc.nat(5),
      fc.nat(12),
      fc.option(fc.integer({ min: -2, max: 6 })),
      (soreMornings, setsAWeek, leftOver) => {
        const found = plateauOf(facts({ soreMornings, setsAWeek, leftOver }))?.because ?? [];
        expect(found.includes("held")).toBe(soreMornings >= 2);
        expect(found.includes("few_sets")).toBe(setsAWeek < 5);
        expect(found.includes("light")).toBe(leftOver !== null && leftOver >= 2);
        expect(found.includes("other_exercise")).toBe(
          found.length === 1 && !found.some((x) => x !== "other_exercise"),
        );
      },
    ),
  );
});
