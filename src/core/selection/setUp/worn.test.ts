import { wornAt, wornWords } from "./worn";

test("the card of an exercise says what is worn, also that nothing is; without a card the story does", () => {
  const facts = { byCard: { step_up: "none", lp_single: "brace" }, usual: "tight_wrap" } as const;
  expect(wornAt(facts, "lp_single")).toBe("brace");
  expect(wornWords(facts, "step_up")).toBeNull();
  expect(wornWords(facts, "half_squat")).toBe("wrap on for the set, off after it");
  expect(wornWords({ byCard: {}, usual: "none" }, "half_squat")).toBeNull();
});
