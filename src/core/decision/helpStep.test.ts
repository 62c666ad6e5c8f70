import { changesWords } from "../../words/en/changes";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { EXAMPLES, line, scoreContext } from "../testdata/scoreContext";
import type { NextFacts } from "./lineNow";
import { nextLine } from "./nextLine";
import { runsByItself } from "./standing";

const plain = scoreContext();
/** As the last time it was done so. */
const factsWith = (aid: string): NextFacts => ({
  school: "monitoring",
  irritability: "low",
  usedKg: null,
  context: { ...plain, sheet: { ...plain.sheet, aids: { step_up: aid } } },
});
const STEP = { rules: ["P7"], change: { loadPct: 5 } };
const step = (aid: string, over: Partial<ScoreLine> = {}) =>
  nextLine(line("step_up", EXAMPLES.straight, { legs: "one", ...over }), "PROGRESS", STEP, factsWith(aid));

test("where something is held on to, one step less of it comes before anything else, and nothing else moves (P3)", () => {
  const to = step("one_hand");
  expect(to.changes).toEqual([{ code: "help", from: "one_hand", to: "fingertips" }]);
  expect(to.line).toMatchObject({ help: "fingertips", scheme: EXAMPLES.straight });
  expect(changesWords(to.changes)).toBe("Fingertips on a rail instead of one hand on a rail.");
  // what is worn is no help, and stays
  expect(step("brace+two_hands").changes).toEqual([{ code: "help", from: "two_hands", to: "one_hand" }]);
  // what was planned counts, not what was done the last time
  expect(step("one_hand", { help: "fingertips" }).changes).toEqual([
    { code: "help", from: "fingertips", to: "none" },
  ]);
});

test("who holds on to nothing steps up as ever, and less help is never taken without somebody who looks", () => {
  for (const to of [step(""), step("brace"), step("one_hand", { help: "none" })])
    expect(to.changes.map((c) => c.code)).not.toContain("help");
  const standingOrder = { allows: "up", untilOn: "2026-12-31", mostDeg: null, mostKg: null } as const;
  const of = line("step_up", EXAMPLES.straight, { legs: "one", standingOrder });
  const decided = { action: "PROGRESS", rules: ["P7"], tellsTherapist: false } as const;
  const byItself = (aid: string) => {
    const next = nextLine(of, "PROGRESS", STEP, factsWith(aid));
    return runsByItself(of, { ...decided, rules: [...decided.rules] }, next, null, "2026-06-01");
  };
  expect(byItself("one_hand")).toBe(false);
});
