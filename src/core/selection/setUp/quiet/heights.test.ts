import fc from "fast-check";
import { bodyFrom } from "../../../body/segments";
import { EXERCISES } from "../../../rules/exercises";
import { bendAt, heightFor, heightsOf, heightWords } from "./heights";

const WITH = EXERCISES.flatMap((e) => {
  const heights = heightsOf(e);
  return heights ? [{ e, heights }] : [];
});
const anyBody = fc.record({
  massKg: fc.double({ min: 40, max: 160, noNaN: true }),
  heightM: fc.double({ min: 1.4, max: 2.05, noNaN: true }),
});

test("a lower seat bends the knee further, whatever the body", () => {
  fc.assert(
    fc.property(anyBody, ({ massKg, heightM }) => {
      const body = bodyFrom(massKg, heightM);
      const bends = [80, 65, 55, 46, 40].map((cm) => bendAt(body, "seat", cm) as number);
      expect(bends).toEqual([...bends].sort((a, b) => a - b));
    }),
  );
});

test("what nobody set is the usual height, or as low as the open bend leaves; never lower, and none where none is high enough", () => {
  let raised = 0;
  fc.assert(
    fc.property(
      anyBody,
      fc.constantFrom(...WITH),
      fc.integer({ min: 30, max: 130 }),
      (b, { heights }, mostDeg) => {
        const body = bodyFrom(b.massKg, b.heightM);
        const found = heightFor(heights, body, mostDeg, null);
        if (found === null)
          return expect(bendAt(body, heights.of, heights.cm[0] as number)).toBeGreaterThan(mostDeg);
        expect(bendAt(body, heights.of, found.cm) ?? 0).toBeLessThanOrEqual(mostDeg + 1e-6);
        if (found.cm > heights.usualCm) raised++;
        for (const cm of found.open)
          expect(bendAt(body, heights.of, cm) ?? 0).toBeLessThanOrEqual(mostDeg + 1e-6);
      },
    ),
  );
  expect(raised).toBeGreaterThan(5);
});

test("what was set stays as it was set, to be judged", () => {
  const [first] = WITH;
  const body = bodyFrom(70, 1.7);
  expect(first && heightFor(first.heights, body, 60, 40)?.cm).toBe(40);
  expect(heightWords({ of: "pad", cm: 15, open: [] })).toEqual({
    key: "padCm",
    name: "pad under the knee",
    value: "15 cm",
  });
});
