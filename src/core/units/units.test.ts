import fc from "fast-check";
import { painScore } from "./fields";
import { formatMass, kgFromLb, lbFromKg } from "./mass";
import { readNumber } from "./readNumber";

test.each([
  ["17.5", 17.5],
  ["17,5", 17.5],
  [" 8 ", 8],
  ["-3", -3],
  ["1e9", 1e9],
])("reads %j", (text, n) => {
  expect(readNumber(text)).toBe(n);
});

test.each(["", "  ", "abc", "1,000.5", "12kg", "--2", "1 2", "NaN", "Infinity"])(
  "does not guess %j",
  (text) => {
    expect(readNumber(text)).toBeNaN();
  },
);

test("kilograms and pounds there and back", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (kg) => {
      expect(kgFromLb(lbFromKg(kg))).toBeCloseTo(kg, 9);
    }),
  );
  expect(formatMass(20, "kg")).toBe("20 kg");
  expect(formatMass(20, "lb")).toBe("44.1 lb");
  expect(formatMass(12.5, "kg")).toBe("12.5 kg");
});

test.each([-1, 11, 2.5, Number.NaN, "3", null])("joint pain of %p is refused", (score) => {
  expect(painScore.safeParse(score).success).toBe(false);
});
