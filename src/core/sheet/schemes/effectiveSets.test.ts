import fc from "fast-check";
import { EXAMPLES } from "../../testdata/scoreContext";
import { bandOf } from "../effect/setBand";
import { effectiveBase, effectiveDone, effectiveSets } from "./effectiveSets";
import { type Scheme, setsOf } from "./scheme";

const planned = (scheme: Scheme, share: number | null = null) => ({ scheme, sets: setsOf(scheme), share });
const straight = (reserve: number): Scheme =>
  ({ ...EXAMPLES.straight, sets: 3, reps: 10, reserve }) as Scheme;

test("a set counts by what is left after it and by the share of the maximum that it asks (D1)", () => {
  const of = (reserve: number, share: number | null) => effectiveSets(planned(straight(reserve), share));
  expect([of(2, 0.7), of(4, 0.5), of(5, 0.7), of(6, 0.7), of(7, 0.7)]).toEqual([3, 3, 1.5, 1.5, 0]);
  expect([of(2, 0.49), of(2, 0.3), of(2, 0.29)]).toEqual([1.5, 1.5, 0]);
  // without a model or a test the plan is believed
  expect(of(3, null)).toBe(3);
});

test("warm-ups and stretches count nothing, an accumulated set three, a heavy hold a half, light and many by what is left", () => {
  expect(effectiveSets(planned(EXAMPLES.stretch))).toBe(0);
  const ramp = planned(EXAMPLES.ramp, 0.75);
  expect(ramp.sets.length).toBeGreaterThan(3);
  expect(effectiveSets(ramp)).toBe(3);
  expect(effectiveSets(planned(EXAMPLES.accumulated, 0.7))).toBe(3);
  const holds = (felt: number): Scheme => ({ ...EXAMPLES.holds, effort: { kind: "felt", felt } }) as Scheme;
  expect(effectiveSets(planned(holds(7)))).toBe(2.5);
  expect(effectiveSets(planned(holds(6.5)))).toBe(0);
  const light = (reserve: number): Scheme => ({ ...EXAMPLES.light, reserve }) as Scheme;
  expect([effectiveSets(planned(light(3), 0.5)), effectiveSets(planned(light(4), 0.5))]).toEqual([2, 1]);
  expect(effectiveSets(planned(light(1), 0.2))).toBe(0);
});

test("what was planned before its reserve could be chosen still reads, and leaves one", () => {
  const { reserve: _, ...old } = EXAMPLES.light as Extract<Scheme, { kind: "light" }>;
  expect(setsOf({ ...EXAMPLES.light, ...old } as Scheme)[0]?.reserve).toBe(1);
});

test("done as planned counts as planned; what was said to be left wins; half of it is half", () => {
  const line = planned(straight(3), 0.7);
  const record = (setNo: number, reserve: number | null, early: string | null = null) => ({
    ...{ setNo, reps: 10, reserve, early },
  });
  expect(
    effectiveDone(
      line,
      [1, 2, 3].map((n) => record(n, 3)),
    ),
  ).toBe(3);
  expect(effectiveDone(line, [record(1, null), record(2, 7), record(3, 5)])).toBe(1.5);
  // a set that the muscle ended left nothing
  expect(effectiveDone(planned(straight(7), 0.7), [record(1, null, "muscle")])).toBe(1);
  const holds = planned({ ...EXAMPLES.holds, effort: { kind: "felt", felt: 8 } } as Scheme);
  const held = { setNo: 1, reps: null, reserve: null, early: null };
  expect(effectiveDone(holds, [held, held])).toBe(1);
});

test("nothing done is nothing, and no plan is exceeded by sets as they were planned", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...Object.values(EXAMPLES)),
      fc.option(fc.double({ min: 0.05, max: 1, noNaN: true })),
      (scheme, share) => {
        const line = planned(scheme as Scheme, share);
        expect(effectiveDone(line, [])).toBe(0);
        const asPlanned = line.sets.flatMap((s, i) =>
          Array.from({ length: s.holds?.reps ?? 1 }, () => ({
            ...{ setNo: i + 1, reps: s.reps, reserve: s.reserve, early: null },
          })),
        );
        expect(effectiveDone(line, asPlanned)).toBeCloseTo(effectiveSets(line), 9);
      },
    ),
  );
});

test("what is weak or aimed at takes the upper half of the band", () => {
  expect(bandOf("build", "quads", ["quads"])).toEqual({ from: 7.5, to: 10 });
  expect(bandOf("build", "hams", ["quads"])).toEqual({ from: 5, to: 10 });
  expect(bandOf("protect", "quads", [])).toEqual({ from: 0, to: 2 });
});

test("what a week grows from counts a set done as planned, however easy it was, and no set that was not (W1)", () => {
  const line = planned(straight(3), 0.7);
  const sets = (reps: number, reserve: number | null, early: string | null = null) =>
    [1, 2, 3].map((setNo) => ({ setNo, reps, reserve, early }));
  expect(effectiveDone(line, sets(10, 9))).toBe(0);
  expect(effectiveBase(line, sets(10, 9))).toBe(3);
  expect(effectiveBase(line, sets(9, 9))).toBe(0);
  expect(effectiveBase(line, sets(10, 9, "pain"))).toBe(0);
  // what was planned too light for any effect is no base either
  expect(effectiveBase(planned(straight(9), 0.7), sets(10, 9))).toBe(0);
  expect(effectiveBase(line, sets(10, 2))).toBe(3);
});
