import fc from "fast-check";
import { massBeside } from "../sheet/line/massBeside";
import { formatMass, kgFromLb, kgWords, lbFromKg, massLabel, withPounds } from "./mass";

test("every mass in a sentence has its pounds beside for who reads pounds, and nothing else changes", () => {
  const real = fc.integer({ min: 1, max: 60_000 }).map((n) => n / 100);
  fc.assert(
    fc.property(real, real, (a, b) => {
      const said = `${kgWords(a)} is above the start of ${kgWords(b)}, until a test in 2 weeks tells more`;
      expect(withPounds(said, "kg")).toBe(said);
      expect(withPounds(said, "lb")).toBe(
        `${kgWords(a)} (${formatMass(a, "lb", 0)}) is above the start of ${kgWords(b)} (${formatMass(b, "lb", 0)}), until a test in 2 weeks tells more`,
      );
    }),
  );
  // what somebody typed is theirs
  expect(withPounds("pressed 60 kg here last week", "lb")).toBe("pressed 60 kg here last week");
});

test("a load is said with its mass once, in the units of who reads", () => {
  expect(massBeside({ how: "pin 7", load: 35 }, "lb")).toBe(`${kgWords(35)} (77 lb)`);
  expect(massBeside({ how: massLabel(2.5), load: 2.5 }, "lb")).toBe("(6 lb)");
  expect(massBeside({ how: massLabel(2.5), load: 2.5 }, "kg")).toBe("");
});

test("pounds and kilograms are each other's way back", () => {
  for (const lb of [2.5, 5, 10, 45]) expect(lbFromKg(kgFromLb(lb))).toBeCloseTo(lb, 9);
});
