import { changesInWords, deedWords } from "./recordWords";

const words = (before: object | null, after: object | null) =>
  changesInWords(before as Record<string, unknown> | null, after as Record<string, unknown> | null).map(
    (c) => `${c.field}: ${c.before === null ? "" : `${c.before} → `}${c.after}`,
  );

test.each([
  ["what is new is said", null, { kneeFlexionDeg: 62.333 }, ["knee flexion deg: 62.33"]],
  ["what changed is said with what it was", { high: 90 }, { high: 80 }, ["high: 90 → 80"]],
  ["what stayed the same is left out", { high: 90, low: 20 }, { high: 80, low: 20 }, ["high: 90 → 80"]],
  [
    "what the change is about is said also where it stayed the same",
    { can: "stairs", isMet: false },
    { can: "stairs", isMet: true },
    ["can: stairs", "is met: no → yes"],
  ],
  [
    "what only the state before has is what was there",
    { kind: "kneeling", word: "no" },
    { reason: "healed" },
    ["kind: kneeling", "word: no", "reason: healed"],
  ],
  [
    "lists and records are said in words",
    null,
    { goals: [{ words: "stairs", hard: 6 }], marks: [] },
    ["goals: words stairs, hard 6"],
  ],
  [
    "a value that is taken away leaves a dash",
    { endsOn: "2026-04-01" },
    { endsOn: null },
    ["ends on: 2026-04-01 → null"],
  ],
])("%s", (_, before, after, expected) => {
  expect(words(before, after)).toEqual(expected);
});

test("a deed that nobody named is shown as it is, never lost", () => {
  expect(deedWords("limit.lift")).toBe("lifted a limit");
  expect(deedWords("something.new")).toBe("something.new");
});
