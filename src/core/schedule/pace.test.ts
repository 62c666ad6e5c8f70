import fc from "fast-check";
import { returnAfter } from "./daysOff";
import { weeksToGoal } from "./goalPace";
import { paceComputed } from "./paceWorking";

test("after 3, 10 and 30 days off: the same, one step back, from a test again", () => {
  expect([0, 3, 9].map(returnAfter)).toEqual(["same", "same", "same"]);
  expect([10, 14, 27].map(returnAfter)).toEqual(["step_back", "step_back", "step_back"]);
  expect([28, 30, 400].map(returnAfter)).toEqual(["start_again", "start_again", "start_again"]);
});

test("the range holds the plain pace, narrows with more steps, and is not given from too little", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 2, max: 30 }),
      fc.integer({ min: 2, max: 40 }),
      (left, done, weeks) => {
        const found = weeksToGoal(left, done, weeks);
        const plain = (left * weeks) / done;
        expect(found?.soonest).toBeLessThanOrEqual(Math.max(1, Math.ceil(plain)));
        if (found?.latest !== null) expect(found?.latest).toBeGreaterThanOrEqual(Math.floor(plain));
        const more = weeksToGoal(left, done * 4, weeks * 4);
        if (found?.latest != null && more?.latest != null)
          expect(more.latest).toBeLessThanOrEqual(found.latest);
      },
    ),
  );
  expect(weeksToGoal(4, 1, 10)).toBeNull();
  expect(weeksToGoal(4, 3, 1)).toBeNull();
  expect(weeksToGoal(0, 0, 0)).toEqual({ soonest: 0, latest: 0 });
  // the 80 % limits of five events are 2.43 and 9.27 (tables of the Poisson distribution)
  expect(weeksToGoal(5, 5, 10)).toEqual({ soonest: Math.floor(50 / 9.275), latest: Math.ceil(50 / 2.433) });
  expect(weeksToGoal(30, 2, 20)?.latest).toBeNull();
});

test("the weeks to a goal are the middle of their range, with half of it as doubt; without a latest there is no doubt to give", () => {
  const p = { stepsLeft: 5, stepsDone: 5, weeks: 10 };
  expect(paceComputed({ soonest: 5, latest: 21 }, p)).toMatchObject({ value: 13, doubt: 8, unit: "weeks" });
  expect(paceComputed({ soonest: 27, latest: null }, p)).toMatchObject({ value: 27, doubt: null });
});
