import fc from "fast-check";
import type { DatedStrength } from "./findings";
import { weakerLeg } from "./weakerLeg";

const tested = (side: "left" | "right", torqueNm: number): DatedStrength => ({
  movement: "knee_extension",
  side,
  kneeFlexionDeg: 60,
  torqueNm,
  isReliable: true,
  takenOn: "2026-01-05",
});

test.each([
  ["the left by a fifth", 80, 100, { side: "left", byPct: 20 }],
  ["the right by a fifth", 100, 80, { side: "right", byPct: 20 }],
  ["neither, within the error of a session", 95, 100, null],
] as const)("%s", (_, left, right, expected) => {
  const found = weakerLeg([tested("left", left), tested("right", right)], "knee_extension", "left");
  expect(found && { side: found.side, byPct: Math.round(found.byPct) }).toEqual(expected);
});

test("nothing is said of one tested side, and whose episode it is does not change who is weaker", () => {
  expect(weakerLeg([tested("left", 80)], "knee_extension", "left")).toBeNull();
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 300, noNaN: true }),
      fc.double({ min: 20, max: 300, noNaN: true }),
      (left, right) => {
        const tests = [tested("left", left), tested("right", right)];
        const as = (side: "left" | "right") => weakerLeg(tests, "knee_extension", side);
        const [a, b] = [as("left"), as("right")];
        if (a && b) {
          expect(a.side).toBe(b.side);
          expect(a.byPct).toBeCloseTo(b.byPct, 6);
          expect(a.side).toBe(left < right ? "left" : "right");
        }
      },
    ),
  );
});
