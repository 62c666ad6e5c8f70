import { exerciseById } from "../../rules/exercises";
import { practiceOf } from "./practice";
import { type PracticeFacts, practiceDiff } from "./practiceDiff";

const step = exerciseById("step_up");
const curl = exerciseById("curl_seated");
const facts: PracticeFacts = {
  worn: { byCard: { step_up: "sleeve" }, usual: "sleeve" },
  last: { soreness: { level: 5, muscles: [] }, daysAgo: 2 },
  exercises: [step, curl].flatMap((e) => e ?? []),
};
const after = (level: number, daysAgo = 2) => ({ soreness: { level, muscles: [] }, daysAgo });
const changed = (answers: Record<string, string>, of: Partial<PracticeFacts> = {}) =>
  practiceDiff(practiceOf({}), practiceOf(answers), { ...facts, ...of });

test("another school is shown by what it changes for this client, and nothing where it meets nothing of theirs (K22)", () => {
  expect(changed({ d_soreness: "view_1" })).toEqual([{ what: "spares", level: 5, isSpared: false }]);
  expect(changed({ d_soreness: "view_2" })).toEqual([]);
  expect(changed({ d_soreness: "view_2" }, { last: after(3) })).toEqual([
    { what: "spares", level: 3, isSpared: true },
  ]);
  expect(changed({ d_soreness: "view_1" }, { last: null })).toEqual([]);
  // after a week nobody is sore of it any more
  expect(changed({ d_soreness: "view_1" }, { last: after(5, 8) })).toEqual([]);
  expect(changed({ d_wraps_braces: "view_3" })).toEqual([{ what: "worn", worn: "sleeve", isWorn: false }]);
  const braced = { byCard: {}, usual: "brace" } as const;
  expect(changed({ d_wraps_braces: "view_3" }, { worn: braced })).toEqual([]);
  expect(changed({ d_heel_whole_foot: "view_1" })).toEqual([
    { what: "looks_for", fault: "heel_lifts", exerciseIds: ["step_up"] },
  ]);
  expect(changed({ own_one_leg: "always" })).toEqual([]);
});

test("back to the usual way is shown as well", () => {
  const back = practiceDiff(practiceOf({ d_wraps_braces: "view_3" }), practiceOf({}), facts);
  expect(back).toEqual([{ what: "worn", worn: "sleeve", isWorn: true }]);
});
