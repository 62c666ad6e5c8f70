import { clock, phaseWords } from "./floorWords";

test.each([
  [0.2, "1"],
  [42, "42"],
  [59.01, "1:00"],
  [64, "1:04"],
  [600, "10:00"],
])("%d s on the clock is %s", (seconds, text) => {
  expect(clock(seconds)).toBe(text);
});

test("the words say the one thing to do now", () => {
  expect(phaseWords("pain-before", 0, 1, 5, false)).toBe("joint pain before hold 1 of 5?");
  expect(phaseWords("pain-before", 30, 2, 5, false)).toMatch(/^rest left/);
  expect(phaseWords("ready", 0, 2, 5, false)).toBe("press space: hold 2 of 5");
  expect(phaseWords("holding", 0, 2, 5, false)).toMatch(/breathe/);
  expect(phaseWords("holding", 0, 2, 5, true)).toMatch(/say why/);
  expect(phaseWords("pain-after", 60, 2, 5, false)).toMatch(/hold 2 is done/);
});
