import { wrapNow } from "./worn";

test("a tight wrap is on for the set and off in every rest; a brace is said once, by the card", () => {
  expect(wrapNow("tight_wrap", "set-up", 0)).toBe("on");
  expect(wrapNow("tight_wrap", "ready", 10)).toBe("on");
  expect(wrapNow("tight_wrap", "ready", 60)).toBe("off");
  expect(wrapNow("tight_wrap", "rating", 0)).toBe("off");
  expect(wrapNow("tight_wrap", "working", 0)).toBeNull();
  for (const worn of ["none", "sleeve", "brace"] as const) expect(wrapNow(worn, "rating", 0)).toBeNull();
});
