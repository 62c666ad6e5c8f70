import { findRoot } from "./findRoot";

test("a root is found to a billionth with few calls", () => {
  let calls = 0;
  const x = findRoot(
    (t) => {
      calls += 1;
      return Math.sin(t / 50) - 0.3;
    },
    -30,
    70,
  );
  expect(Math.sin(x / 50)).toBeCloseTo(0.3, 9);
  expect(calls).toBeLessThan(15);
});
