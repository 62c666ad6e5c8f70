import { CONDITIONS } from "../../rules/conditions";
import { exerciseById } from "../../rules/exercises";
import { rangeSheet } from "../../selection/rank/rangeSheet";
import { USUAL_ORDER } from "../../sheet/order/sessionScore";
import { draftFor, type Example } from "../../testdata/draftFor";
import { draftSession } from "../draftSession";

/** The trunk's lines of a first draft. */
function trunkOf(x: Example, minutes = 45, place: "gym" | "home" = "gym") {
  const { facts, context } = draftFor(x);
  const { lines } = draftSession(facts, rangeSheet(context.sheet), context, { place, minutes }, USUAL_ORDER);
  return lines.filter((l) => exerciseById(l.exerciseId)?.match.class === "trunk");
}
const BACK: Example = {
  conditionId: "lumbar_disc_flexion",
  phaseId: "build",
  variantId: "with_leg",
  irritability: "moderate",
};

test("a back that leads gets one line of the trunk in every phase, in the gym and at home, and a knee none (X1)", () => {
  for (const condition of CONDITIONS)
    for (const phase of condition.phases) {
      const x: Example = {
        conditionId: condition.id,
        phaseId: phase.id,
        variantId: condition.variants[0]?.id ?? "",
        irritability: "moderate",
      };
      const isBack = condition.main_region === "lumbar";
      if (!isBack && phase.stage !== "build") continue;
      for (const place of ["gym", "home"] as const)
        expect({ id: condition.id, phase: phase.id, place, lines: trunkOf(x, 45, place).length }).toEqual({
          ...{ id: condition.id, phase: phase.id, place, lines: isBack ? 1 : 0 },
        });
    }
});

test("the earlier the quieter, nothing hard for who is frail, and it is the first that goes where time is short", () => {
  const id = (x: Example, minutes?: number) => trunkOf(x, minutes)[0]?.exerciseId ?? null;
  expect(id({ ...BACK, phaseId: "acute" })).toBe("trunk_hands_knees");
  expect(id(BACK)).toBe("trunk_side_knees");
  expect(id({ ...BACK, phaseId: "return" })).toBe("trunk_side_feet");
  const frail = id({ ...BACK, phaseId: "return", isFrail: true });
  expect(frail === null || (exerciseById(frail)?.match.entry_demand_1_4 ?? 9) <= 2).toBe(true);
  expect(id(BACK, 30)).toBeNull();
  // a side has another, a front has none
  expect(trunkOf(BACK)[0]?.legs).toBe("one_after_other");
});
