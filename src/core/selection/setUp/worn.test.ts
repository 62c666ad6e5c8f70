import { wornAt } from "./aid";

test("the card of an exercise says what is worn, also that nothing is; without a card the story does", () => {
  const facts = {
    byCard: { step_up: "none", lp_single: "brace" },
    usual: "tight_wrap",
    isBare: false,
  } as const;
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
