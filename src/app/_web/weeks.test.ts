import { weekWords } from "./weeks";

test.each([
  ["2026-03-02", "week 0 after surgery"],
  ["2026-02-24", "week 0 after surgery"],
  ["2026-02-23", "week 1 after surgery"],
  ["2025-12-29", "week 9 after surgery"],
])("surgery on %s is %s on 2 March", (beganOn, words) => {
  expect(weekWords({ beganOn, beganWith: "surgery" }, "2026-03-02")).toBe(words);
});

test("an onset is no surgery", () => {
  expect(weekWords({ beganOn: "2026-02-16", beganWith: "onset" }, "2026-03-02")).toBe("week 2 since onset");
});
