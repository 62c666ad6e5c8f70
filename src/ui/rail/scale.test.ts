import fc from "fast-check";
import { degOf, RAIL, xOf } from "./scale";

test("the rail runs from straight at the left to 130 at the right", () => {
  expect(xOf(0)).toBe(RAIL.left);
  expect(xOf(130)).toBe(RAIL.right);
});

test("places and angles are each other's inverse", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 130, noNaN: true }), (deg) => {
      expect(degOf(xOf(deg))).toBeCloseTo(deg, 9);
    }),
  );
});
