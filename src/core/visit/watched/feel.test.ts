import { decide } from "../../progression/decide";
import type { DecisionInput } from "../../progression/decisionInput";
import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES, line } from "../../testdata/scoreContext";
import { robot } from "../../testdata/visitRobot";
import { visitState } from "../run";
import type { VisitEvent } from "../visitEvent";
import { type Feel, type FeelWhere, feelAsk, feelOpen, feelsUpTo, feltElsewhere } from "./feel";

const PRESS = { exerciseId: "lp_horizontal", legs: "together" };
const said = (where: FeelWhere | null, sure: number | null, over: Partial<Feel> = {}): Feel => ({
  ...{ lineId: "3f2b8f1e-7c54-4a53-9f0f-6d2f4a0d9a11", ...PRESS, where, sure },
  ...over,
});

test("where is asked until it was right twice, how sure at a first time of this form and until it is enough (Feel 1)", () => {
  expect(feelAsk(PRESS, [])).toEqual({ where: true, sure: true });
  expect(feelAsk(PRESS, [said("meant", 8)])).toEqual({ where: true, sure: false });
  expect(feelAsk(PRESS, [said("meant", null), said("joint", 7), said("meant", 8)])).toBeNull();
  expect(feelAsk(PRESS, [said("meant", 4), said("meant", 9)])).toEqual({ where: false, sure: true });
  expect(feelAsk(PRESS, [said("meant", 5), said("meant", 2)])).toBeNull();
  // on one leg it is another first time; another exercise says nothing
  expect(feelAsk({ ...PRESS, legs: "one" }, [said("meant", 9), said("meant", 9)])).toEqual({
    where: false,
    sure: true,
  });
  expect(feelAsk(PRESS, [said("meant", 9, { exerciseId: "sq_hack" })])).toEqual({ where: true, sure: true });
});

test("what this visit has said is not asked again", () => {
  expect(feelOpen(PRESS, { where: "joint", sure: null }, [])).toEqual({ where: false, sure: true });
  expect(feelOpen(PRESS, { where: "joint", sure: 0 }, [])).toBeNull();
});

test("elsewhere twice running, whatever nobody was asked between; the muscle meant ends it (Feel 3)", () => {
  const found = (...wheres: (FeelWhere | null)[]) =>
    feltElsewhere(
      "lp_horizontal",
      wheres.map((w) => [said(w, null)]),
    );
  expect(found("joint")).toBeNull();
  expect(found("joint", "nowhere")).toEqual({ where: "joint", visits: 2 });
  expect(found("joint", null, "other", "other", "meant", "other")).toEqual({ where: "joint", visits: 3 });
  expect(found("meant", "joint", "joint")).toBeNull();
  expect(found("joint", "meant", "joint")).toBeNull();
});

test("a visit is judged by what was said in it and before, never by a later one", () => {
  const [old, late] = [[said("joint", 3)], [said("meant", 9)]];
  const visits = [
    { visitId: "late", feels: late },
    { visitId: "old", feels: old },
  ];
  expect(feelsUpTo(visits, "late")).toEqual([late, old]);
  expect(feelsUpTo(visits, "old")).toEqual([old]);
  expect(feelsUpTo(visits, "further back")).toEqual([]);
});

describe("in a visit", () => {
  const [press] = keptLines([line("lp_horizontal", EXAMPLES.straight)]);
  if (!press) throw new Error("not kept");
  const { events } = robot([press]);
  const rated = events.findIndex((e) => e.type === "rate") + 1;
  const feel = (over: Partial<Feel>): VisitEvent => ({
    ...{ type: "feel" as const, lineId: press.lineId, where: null, sure: null, at: 1_000_000 },
    ...over,
  });
  const feels = (all: readonly VisitEvent[]) => visitState([press], all).feels;

  test("it is kept of a line of which something was done, each answer by itself, and put right by saying it again", () => {
    expect(feels([feel({ sure: 3 }), ...events.slice(0, rated)])).toEqual([]);
    const told = [...events.slice(0, rated), feel({ sure: 3 }), feel({ where: "joint" }), feel({ sure: 6 })];
    expect(feels(told)).toEqual([
      { lineId: press.lineId, exerciseId: "lp_horizontal", legs: press.legs, where: "joint", sure: 6 },
    ]);
    expect(feels([...events, feel({ sure: 1 })])).toEqual([]);
  });
});

test("who is not sure, or feels it elsewhere twice, stays; sure and meant hinders nothing (H16, H17)", () => {
  const easy: DecisionInput = {
    ...({ school: "monitoring", irritability: "low", redFlag: false, techniqueStop: false } as const),
    ...{ prevRegress: false, missedBefore: false, satisfiedStreak: 3, usualPain: 1, painBefore: 1 },
    ...{ painDuring: 1, painAfter: 1, painMorning: 1, effusion: 0, effusionBefore: 0, effusionApplies: true },
    ...({ rangePct: 100, weekTrend: 0, repsState: "top", rir: 3, rirTarget: 2 } as const),
  };
  expect(decide(easy).action).toBe("PROGRESS");
  expect(decide({ ...easy, sure: 5 }).action).toBe("PROGRESS");
  expect(decide({ ...easy, sure: 4 })).toMatchObject({ action: "HOLD", rules: ["H16"] });
  const elsewhere = { where: "joint", visits: 2 } as const;
  expect(decide({ ...easy, feltElsewhere: elsewhere })).toMatchObject({ action: "HOLD", rules: ["H17"] });
});
