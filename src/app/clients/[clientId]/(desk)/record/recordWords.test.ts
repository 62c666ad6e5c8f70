import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { changesInWords, deedWords } from "./recordWords";

const words = (before: object | null, after: object | null) =>
  changesInWords(before as Record<string, unknown> | null, after as Record<string, unknown> | null).map(
    (c) => `${c.field}: ${c.before === null ? "" : `${c.before} → `}${c.after}`,
  );

test.each([
  ["what is new is said", null, { kneeFlexionDeg: 62.333 }, ["knee flexion (°): 62.33"]],
  ["what changed is said with what it was", { high: 90 }, { high: 80 }, ["at most: 90 → 80"]],
  ["what stayed the same is left out", { high: 90, low: 20 }, { high: 80, low: 20 }, ["at most: 90 → 80"]],
  [
    "what the change is about is said also where it stayed the same",
    { can: "stairs", isMet: false },
    { can: "stairs", isMet: true },
    ["criterion: stairs", "met: no → yes"],
  ],
  [
    "what only the state before has is what was there",
    { kind: "kneeling", word: "no" },
    { reason: "healed" },
    ["kind: kneeling", "allowed: no", "reason: healed"],
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

test("what was decided is said in a therapist's words", () => {
  expect(words(null, { computed: ["PROGRESS", "HOLD"], stiffnessMin: 12 })).toEqual([
    "drafted: Step up; Stay",
    "stiffness (min): 12",
  ]);
});

test("every deed that the server writes down has its words", () => {
  const server = path.join(process.cwd(), "src/server");
  const files = (readdirSync(server, { recursive: true }) as string[]).filter((f) => f.endsWith(".ts"));
  const deeds = files.flatMap((f) =>
    [...readFileSync(path.join(server, f), "utf8").matchAll(/\baudit\(\s*ctx,\s*"([a-z.-]+)"/g)].map(
      (m) => m[1] ?? "",
    ),
  );
  expect(deeds.length).toBeGreaterThan(30);
  for (const deed of deeds) expect(`${deed}: ${deedWords(deed)}`).not.toBe(`${deed}: ${deed}`);
});

test("a deed that nobody named is shown as it is, never lost", () => {
  expect(deedWords("limit.lift")).toBe("lifted a limit");
  expect(deedWords("something.new")).toBe("something.new");
});
