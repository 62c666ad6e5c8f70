import fc from "fast-check";
import { findDose } from "../sheet/draft/findDose";
import { exerciseSeconds, timeUnderTensionS } from "../sheet/time/holdSeconds";
import { shareForFeltEffort } from "./effortConversion";
import { plannedEnduranceS } from "./enduranceTime";
import { anchoredModel, FRESH, timeToFailureS } from "./fatigueModel";
import { personalFactor } from "./personalFactor";
import { simulateHolds } from "./simulateHolds";

const pattern = { holdS: 45, reps: 5, restS: 120, sets: 1, setRestS: 0 };

test("the anchored model fails a fresh hold exactly at the planned endurance, for any person", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.25, max: 0.8, noNaN: true }),
      fc.double({ min: 0.5, max: 2, noNaN: true }),
      (f, k) => {
        const planned = plannedEnduranceS("knee", f, k);
        expect(timeToFailureS(anchoredModel("knee", f, k), f) / planned).toBeCloseTo(1, 3);
      },
    ),
  );
});

test("longer, harder, less rested never feels easier", () => {
  const felt = (f: number, p: typeof pattern) => simulateHolds("knee", f, p).effort10;
  fc.assert(
    fc.property(
      fc.double({ min: 0.15, max: 0.8, noNaN: true }),
      fc.integer({ min: 5, max: 60 }),
      fc.integer({ min: 5, max: 120 }),
      (f, holdS, restS) => {
        const p = { ...pattern, holdS, restS };
        const now = felt(f, p);
        expect(felt(f, { ...p, holdS: holdS + 5 })).toBeGreaterThanOrEqual(now - 1e-9);
        expect(felt(f, { ...p, restS: restS + 10 })).toBeLessThanOrEqual(now + 1e-9);
        expect(felt(f, { ...p, reps: p.reps + 1 })).toBeGreaterThanOrEqual(now - 1e-9);
      },
    ),
  );
});

test("share for a felt effort ends the last hold at just that effort", () => {
  for (const wanted of [5, 6, 7, 8, 9]) {
    const f = shareForFeltEffort("knee", pattern, wanted);
    expect(simulateHolds("knee", f, pattern).effort10).toBeCloseTo(wanted, 3);
  }
});

test("the practical table: 5 x 45 s with two minutes rest", () => {
  const percents = [6, 7, 8, 9].map((felt) => Math.round(100 * shareForFeltEffort("knee", pattern, felt)));
  expect(percents).toEqual([31, 36, 41, 46]);
});

test("a spent muscle has no time left", () => {
  expect(timeToFailureS(anchoredModel("knee", 0.5), 0.5, { ...FRESH, fast: 0.6 })).toBe(0);
});

test("holds outside 20 to 80 % tell nothing about endurance, and one hold moves k only half way", () => {
  expect(personalFactor("knee", [{ shareOfMax: 0.1, heldS: 500 }])).toEqual({ k: 1, holds: 0 });
  const one = personalFactor("knee", [{ shareOfMax: 0.5, heldS: 142.66 }]);
  expect(one.k).toBeCloseTo(Math.SQRT2, 3);
});

test("a found dose keeps every wish, or says what binds", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      fc.integer({ min: 20, max: 400 }),
      fc.integer({ min: 3, max: 15 }),
      fc.constantFrom(6, 8),
      (f, wanted, minutes, cap) => {
        const found = findDose({
          joint: "knee",
          sharesOfMax: [f],
          targetTensionS: wanted,
          minutes,
          effortCap: cap,
        });
        if (found.status === "infeasible") {
          expect(found.binding).toBeTruthy();
          return;
        }
        const d = found.dose;
        expect(d.effort10).toBeLessThanOrEqual(cap);
        expect(exerciseSeconds(d)).toBeLessThanOrEqual(minutes * 60);
        expect(timeUnderTensionS(d)).toBeLessThanOrEqual(wanted * found.doseScale * 1.15 + 1e-6);
        expect(timeUnderTensionS(d)).toBeGreaterThanOrEqual(wanted * found.doseScale * 0.9 - 1e-6);
      },
    ),
    { numRuns: 40 },
  );
});

test("a found dose keeps to a written limit on the length of a hold", () => {
  const input = { joint: "knee" as const, sharesOfMax: [0.35], targetTensionS: 120 };
  const free = findDose(input);
  const bound = findDose({ ...input, mostHoldS: 10 });
  expect(free.status === "ok" && free.dose.holdS).toBeGreaterThan(10);
  expect(bound.status === "ok" && bound.dose.holdS).toBeLessThanOrEqual(10);
});
