import { holdsBelong, type MarkerScores, markerMove, markers } from "./markers";

const scored = (before: number | null, after: number | null): MarkerScores => ({
  ...{ kind: "half_squat", before, after },
});

test("two points are a change either way; without both scores nothing is told (Marker 1)", () => {
  expect(markerMove(scored(6, 4))).toBe("eased");
  expect(markerMove(scored(6, 5))).toBe("same");
  expect(markerMove(scored(3, 5))).toBe("stirred");
  expect(markerMove(scored(3, 4))).toBe("same");
  expect(markerMove(scored(6, null))).toBeNull();
});

test("holds go in front once two visits eased, behind once four did not; one movement of several is enough (Marker 2)", () => {
  const eased = [scored(6, 3)];
  const same = [scored(5, 5)];
  expect(holdsBelong([eased])).toBeNull();
  expect(holdsBelong([eased, same, [...same, ...eased]])).toBe("front");
  expect(holdsBelong([same, same, same])).toBeNull();
  expect(holdsBelong([same, same, same, [scored(3, 6)]])).toBe("behind");
  // scored once is not scored: it tells nothing either way
  expect(holdsBelong([same, same, same, [scored(3, null)]])).toBeNull();
  expect(holdsBelong([same, same, same, same, eased])).toBeNull();
});

test("a movement stands once, and one of one's own says which", () => {
  const squat = { kind: "half_squat", words: "3 times" };
  expect(markers.safeParse([squat, { kind: "own", words: "putting on socks" }]).success).toBe(true);
  expect(markers.safeParse([squat, squat]).success).toBe(false);
  expect(markers.safeParse([{ kind: "own", words: "" }]).success).toBe(false);
});
