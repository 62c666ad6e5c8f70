import { wornAt, wrapNow } from "./worn";

test("the card of an exercise says what is worn, also that nothing is; without a card the story does", () => {
  const facts = { byCard: { step_up: "none", lp_single: "brace" }, usual: "tight_wrap", isBare: false } as const;
  expect(wornAt(facts, "lp_single")).toBe("brace");
  expect(wornAt(facts, "step_up")).toBe("none");
  expect(wornAt(facts, "half_squat")).toBe("tight_wrap");
});

test("where nothing is worn by the school, what was ordered and what a card says stays (K22)", () => {
  const byCard = { step_up: "sleeve" } as const;
  expect(wornAt({ byCard, usual: "sleeve", isBare: true }, "half_squat")).toBe("none");
  expect(wornAt({ byCard, usual: "tight_wrap", isBare: true }, "half_squat")).toBe("none");
  expect(wornAt({ byCard, usual: "brace", isBare: true }, "half_squat")).toBe("brace");
  expect(wornAt({ byCard, usual: "none", isBare: true }, "step_up")).toBe("sleeve");
});

test("a tight wrap is on for the set and off in every rest; a brace is said once, by the card", () => {
  expect(wrapNow("tight_wrap", "set-up", 0)).toBe("on");
  expect(wrapNow("tight_wrap", "ready", 10)).toBe("on");
  expect(wrapNow("tight_wrap", "ready", 60)).toBe("off");
  expect(wrapNow("tight_wrap", "rating", 0)).toBe("off");
  expect(wrapNow("tight_wrap", "working", 0)).toBeNull();
  for (const worn of ["none", "sleeve", "brace"] as const) expect(wrapNow(worn, "rating", 0)).toBeNull();
});
