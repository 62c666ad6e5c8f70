import type { HoldPlan } from "@/core/dose/holdPlan";
import { formOf, type PlanForm, planOf } from "./planForm";

const plan: HoldPlan = {
  side: "right",
  kneeFlexionDeg: 60,
  effort: { kind: "felt", felt: 6.5 },
  means: "machine",
  pattern: { holdS: 45, reps: 5, restS: 120, sets: 1, setRestS: 0 },
  ladderFromDeg: 30,
  ladderToDeg: 90,
};
const problemsOf = (over: Partial<PlanForm>) => planOf({ ...formOf(plan), ...over }, "right", 60).problems;

test("a plan goes into the fields and comes back the same", () => {
  expect(planOf(formOf(plan), "right", 60)).toEqual({ plan, problems: {} });
  const percent: HoldPlan = {
    ...plan,
    effort: { kind: "percent", percent: 40 },
    pattern: { ...plan.pattern, sets: 2, setRestS: 180 },
  };
  expect(planOf(formOf(percent), "right", 60).plan).toEqual(percent);
});

test("a decimal comma is read", () => {
  expect(planOf({ ...formOf(plan), felt: "6,5" }, "right", 60).plan).toEqual(plan);
});

test.each<[keyof PlanForm, string, RegExp]>([
  ["felt", "", /Enter felt effort as a number/],
  ["felt", "12", /between 2 and 9/],
  ["holdS", "abc", /Enter hold as a number in seconds/],
  ["reps", "1.5", /whole number from 1 to 12/],
  ["restS", "-3", /between 5 and 300/],
  ["ladderToDeg", "200", /between 0 and 130/],
])("%s = %j gives a sentence at that field", (field, text, sentence) => {
  expect(problemsOf({ [field]: text })[field]).toMatch(sentence);
});

test("the rest between sets is only looked at when there are sets", () => {
  expect(problemsOf({ setRestS: "nonsense" })).toEqual({});
  expect(problemsOf({ sets: "2", setRestS: "nonsense" }).setRestS).toMatch(/as a number/);
  expect(problemsOf({ sets: "2", setRestS: "60" }).setRestS).toMatch(/longer than the rest/);
});
