import fc from "fast-check";
import { nextAssistance } from "./assistance";

test("less help on a step up and more on a step back, on any plate; where no plate does, repetitions are added", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 30, max: 120, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.constantFrom(-25, -15, -10, 2.5, 5, 10),
      fc.constantFrom(1, 1.25, 2, 2.5, 5, 7, 10),
      fc.option(fc.constantFrom(10, 20), { nil: undefined }),
      (bodyLoad, share, stepPct, plate, mostStepPct) => {
        const assist = bodyLoad * 0.9 * share;
        const next = nextAssistance({ bodyLoad, assist, stepPct, plate, mostStepPct });
        expect(next.assist).toBeGreaterThanOrEqual(0);
        expect(next.assist).toBeLessThanOrEqual(bodyLoad + 1e-9);
        if (stepPct < 0) expect(next.assist).toBeGreaterThan(assist);
        else if (next.note === "reps_first") expect(next.assist).toBe(assist);
        else if (assist > 0) expect(next.assist).toBeLessThan(assist);
      },
    ),
    { numRuns: 2000 },
  );
});

test("help that is no whole number of plates never becomes more on a step up", () => {
  // 12 kg of help, plates of 5: a twentieth more load would want 11, and the next plate up is 15
  const next = nextAssistance({ bodyLoad: 40, assist: 12, stepPct: 5, plate: 5 });
  expect(next).toMatchObject({ assist: 12, note: "reps_first" });
});
