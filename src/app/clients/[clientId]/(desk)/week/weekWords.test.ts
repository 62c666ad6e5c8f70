import type { BlockQuestion } from "@/core/schedule/block/block";
import type { PlannableSheet } from "@/server/week/weekFacts";
import { outlookWords, wishWords } from "./weekWords";

const GYM = { id: "g", name: "Gym", times: 2, keepTimes: 1 } as PlannableSheet;
const week = (over: Partial<BlockQuestion> = {}): BlockQuestion =>
  ({
    keepWeeks: 4,
    minutes: [60, 0, 60, 0, 0, 0, 0],
    gym: [true, true, true, false, false, false, false],
    ...over,
  }) as BlockQuestion;

test("wishes read as a sentence; a day without time is no day to come", () => {
  expect(wishWords([GYM], {}, week())).toBe("Gym 2 a week, then 1. Comes here on Mon, Wed.");
  expect(wishWords([GYM], { g: { times: 3, keepTimes: 2, at: "09:30" } }, week())).toBe(
    "Gym 3 a week, then 2, at 09:30. Comes here on Mon, Wed.",
  );
  expect(wishWords([GYM], {}, week({ keepWeeks: 0, gym: Array(7).fill(false) }))).toBe(
    "Gym 2 a week. Does not come here.",
  );
});

test("a goal's weeks are a range, never more sure than they are", () => {
  const o = { name: "Hold", goal: "80°", weeks: 5, stepsDone: 4, stepsLeft: 3 };
  expect(outlookWords({ ...o, stepsLeft: 0, range: null } as never)).toBe("reached");
  expect(outlookWords({ ...o, stepsDone: 1, range: null } as never)).toBe(
    "cannot tell yet: 1 step in 5 weeks",
  );
  expect(outlookWords({ ...o, range: { soonest: 3, latest: 9 } } as never)).toBe(
    "3 to 9 weeks at the pace so far (4 steps in 5 weeks)",
  );
  expect(outlookWords({ ...o, range: { soonest: 3, latest: null } } as never)).toMatch(
    /^3 weeks to more than a year at/,
  );
});
