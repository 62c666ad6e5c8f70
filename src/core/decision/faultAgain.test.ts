import { decide } from "../progression/decide";
import type { DecisionInput } from "../progression/decisionInput";
import type { FaultId } from "../rules/faults/faults";
import { judgeScore } from "../sheet/judge/judgeScore";
import type { KeptLine } from "../sheet/line/keptLine";
import { EXAMPLES, line, scoreContext } from "../testdata/scoreContext";
import type { LineDone } from "../visit/lineDone";
import { inputOf, type VisitFacts } from "./inputOf";
import type { NextFacts } from "./lineNow";
import { linePast } from "./linePast";
import { nextLine } from "./nextLine";

const WELL: LineDone = {
  ...{ painBefore: 1, painDuring: 1, reached: "top", reserve: 4, rangePct: 100, lostPosition: false },
  ...{ cleanShare: 1, faults: [], elsewhere: [], moreAid: null, usedKg: null },
};
const VISIT: VisitFacts = {
  ...{ school: "monitoring", irritability: "low", writtenPainLimit: null, usualPain: 1, redFlag: false },
  ...{ painAtStart: 1, painAtEnd: 1, morning: { pain: 1, swelling: 0 }, swellingBefore: 0 },
  ...{ swellingApplies: true, sore: null, lines: [], room: null, regions: [], feels: [] },
};
const KEPT = { feltAim: null, sets: [] } as unknown as KeptLine;
const context = scoreContext();
const facts: NextFacts = { school: "monitoring", irritability: "low", context, usedKg: null };

/** What a visit leads to in which faults were seen, after earlier ones, the newest first. */
function after(now: Partial<LineDone>, ...before: FaultId[][]) {
  const earlier = before.map((faults, i) => ({ daysAgo: 3 * (i + 1), done: { ...WELL, faults } }));
  const input: DecisionInput = inputOf(KEPT, null, { ...WELL, ...now }, linePast([], earlier, 1), VISIT);
  return { input, decision: decide(input) };
}

test("a step up needs four fifths of it clean", () => {
  expect(after({}).decision.action).toBe("PROGRESS");
  expect(after({ cleanShare: 0.8, faults: ["jerk"] }).decision.action).toBe("PROGRESS");
  const { decision } = after({ cleanShare: 0.79, faults: ["jerk"] });
  expect(decision).toMatchObject({ action: "HOLD", rules: ["H12"] });
  expect(decision.reasons[0]?.why).toEqual({ code: "progression.not_clean", pct: 79 });
  // nobody looked: nothing is known to be unclean
  expect(after({ cleanShare: 1, faults: [] }).input.cleanShare).toBeNull();
});

test("the same fault in visits running brings its next remedy; one between, or another, begins anew", () => {
  const seen = (...before: FaultId[][]) =>
    after({ faults: ["knee_in"], cleanShare: 0.9 }, ...before).input.faultAgain;
  expect(seen()).toBeNull();
  expect(seen([], ["knee_in"])).toBeNull();
  expect(seen(["jerk"])).toBeNull();
  expect(seen(["knee_in"])).toEqual({ fault: "knee_in", visits: 2, remedy: "less_arc" });
  expect(seen(["jerk", "knee_in"], ["knee_in"], [])).toEqual({
    fault: "knee_in",
    visits: 3,
    remedy: "lighter",
  });
  expect(seen(["knee_in"], ["knee_in"], ["knee_in"])?.remedy).toBe("set_up");
});

test("the remedy is the change of the line, and the only one", () => {
  const press = line("lp_horizontal", EXAMPLES.straight, { window: { fromDeg: 10, toDeg: 80 } });
  const setKg = judgeScore([press], context)[0]?.load?.setting?.load as number;
  const next = (fault: FaultId, ...before: FaultId[][]) => {
    const { decision } = after({ faults: [fault], cleanShare: 0.9 }, ...before);
    return { decision, made: nextLine(press, decision.action, decision, { ...facts, setKg }) };
  };
  const arc = next("knee_in", ["knee_in"]);
  expect(arc.decision).toMatchObject({ action: "REGRESS", rules: ["R10"], change: { remedy: "less_arc" } });
  expect(arc.made.changes).toEqual([{ code: "range", fromDeg: 80, toDeg: 65 }]);
  expect(arc.made.line?.loadKg).toBe(setKg);
  const lighter = next("knee_in", ["knee_in"], ["knee_in"]);
  expect(lighter.made.changes).toMatchObject([{ code: "load", isUp: false }]);
  expect(lighter.made.line?.window).toEqual(press.window);
  const slower = next("jerk", ["jerk"]);
  const { lowerS } = (press.scheme as typeof EXAMPLES.straight & { tempo: { lowerS: number } }).tempo;
  expect(slower.decision).toMatchObject({ action: "HOLD", rules: ["H13"], change: { remedy: "slower" } });
  expect(slower.made.changes).toEqual([{ code: "lowering", from: lowerS, to: lowerS + 1 }]);
  expect(next("heel_lifts", ["heel_lifts"]).made.changes).toEqual([{ code: "set_up" }]);
});

test("remedies one after another are no second step back, pain after one is", () => {
  const two = (over: Partial<DecisionInput>) => {
    const { input } = after({ faults: ["knee_in"] }, ["knee_in"], ["knee_in"]);
    return decide({ ...input, prevRegress: true, ...over });
  };
  expect(two({})).toMatchObject({ action: "REGRESS", rules: ["R10"] });
  expect(two({ painDuring: 8 })).toMatchObject({ action: "STOP_REFER" });
});

test("what pain asks comes before what was seen", () => {
  const { decision } = after({ faults: ["knee_in"], cleanShare: 0.5, painDuring: 8 }, ["knee_in"]);
  expect(decision.action).toBe("REGRESS");
  expect(decision.change.remedy).toBeUndefined();
  const jerks = after({ faults: ["jerk"], cleanShare: 0.9 }, ["jerk"]).input;
  expect(decide(jerks)).toMatchObject({ action: "HOLD", change: { remedy: "slower" } });
  const sore = decide({ ...jerks, painMorning: jerks.usualPain + 1 });
  expect(sore.action).toBe("HOLD");
  expect(sore.change.remedy).toBeUndefined();
});
