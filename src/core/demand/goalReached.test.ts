import { daysAfter } from "../units/days";
import type { DatedCost } from "./costsOverTime";
import { goalIsReached } from "./goalReached";

const TODAY = "2026-06-30";
/** What a task took, so many days ago. */
const cost = (id: string, daysAgo: number, percent: number | null, isAtLeast = false): DatedCost =>
  ({
    ...{ id, on: daysAfter(TODAY, -daysAgo) },
    cost: { percent: percent === null ? null : { value: percent }, isAtLeast },
  }) as unknown as DatedCost;

test("a goal is reached once all of its tasks took at most four fifths of the leg for four weeks (W5)", () => {
  const easy = [cost("a", 40, 79), cost("a", 10, 70), cost("b", 28, 80), cost("b", 2, 60)];
  expect(goalIsReached(easy, TODAY)).toBe(true);
  // once within the four weeks it took more
  expect(goalIsReached([...easy, cost("a", 12, 81)], TODAY)).toBe(false);
  // before them it may have
  expect(goalIsReached([...easy, cost("a", 50, 130)], TODAY)).toBe(true);
  // easy for not so long
  expect(goalIsReached([cost("a", 27, 60), cost("a", 2, 60)], TODAY)).toBe(false);
  expect(goalIsReached([cost("a", 40, 120), cost("a", 20, 60)], TODAY)).toBe(false);
});

test("what nobody can say is not reached: nothing learnt, past the curve, of another day", () => {
  expect(goalIsReached([], TODAY)).toBe(false);
  expect(goalIsReached([cost("a", 40, null)], TODAY)).toBe(false);
  expect(goalIsReached([cost("a", 40, 60, true)], TODAY)).toBe(false);
  expect(goalIsReached([cost("a", -3, 60)], TODAY)).toBe(false);
});
