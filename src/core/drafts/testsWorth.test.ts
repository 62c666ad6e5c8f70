import { rangeSheet } from "../selection/rank/rangeSheet";
import { USUAL_ORDER } from "../sheet/order/sessionScore";
import { draftFor, type Example } from "../testdata/draftFor";
import type { Said } from "../units/said";
import { draftSession } from "./draftSession";
import { testsWorth } from "./testsWorth";

const OA: Example = { conditionId: "knee_oa", phaseId: "build", variantId: "mild" };
const offered = (x: Example, place: "gym" | "home" = "gym") => {
  const { facts, context } = draftFor(x);
  const { notes } = draftSession(
    facts,
    rangeSheet(context.sheet),
    context,
    { place, minutes: 45 },
    USUAL_ORDER,
  );
  return notes.flatMap((n: Said) =>
    typeof n === "object" && n.code === "drafts.test_first" && "machine" in n ? [n.machine] : [],
  );
};

test("a first draft offers the test of the machines whose loads are hardly known, two at most, each once (L11)", () => {
  const machines = offered(OA);
  expect(machines.length).toBeGreaterThan(0);
  expect(machines.length).toBeLessThanOrEqual(2);
  expect(new Set(machines).size).toBe(machines.length);
});

test("not at home, not for the frail, not for a joint that is easily stirred up, not before a phase that asks for strength", () => {
  expect(offered(OA, "home")).toEqual([]);
  expect(offered({ ...OA, isFrail: true })).toEqual([]);
  expect(offered({ ...OA, irritability: "high" })).toEqual([]);
  expect(offered({ ...OA, stage: "wake" })).toEqual([]);
});

test("what the phase is for is tested first, and a machine without a model counts as known least of all (L11)", () => {
  const { facts, context } = draftFor(OA);
  const { lines } = draftSession(
    facts,
    rangeSheet(context.sheet),
    context,
    { place: "gym", minutes: 60 },
    USUAL_ORDER,
  );
  const worth = (aimed: typeof facts.aimed) => testsWorth(lines, { ...facts, aimed }, context);
  const quads = worth(["quads"]);
  const abductors = worth(["abductors"]);
  expect(quads[0]?.doubt).toBeGreaterThan(0.15);
  expect(abductors[0]?.doubt).toBeNull();
  expect(abductors[0]?.machine).not.toBe(quads[0]?.machine);
});
