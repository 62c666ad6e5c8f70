import fc from "fast-check";
import type { KeptLine } from "../sheet/line/keptLine";
import type { Scheme } from "../sheet/schemes/scheme";
import { keptLines, lineIdOf } from "../testdata/keptLines";
import { EXAMPLES, line } from "../testdata/scoreContext";
import { lineDone } from "./lineDone";
import type { SetRecord } from "./setRecord";
import { weeklyTrend } from "./weeklyTrend";

const kept = (exerciseId: string, scheme: Scheme, over: Parameters<typeof line>[2] = {}): KeptLine => {
  const [made] = keptLines([line(exerciseId, scheme, over)]);
  if (!made) throw new Error("not kept");
  return made;
};
const press = kept("lp_horizontal", EXAMPLES.straight);
const hold = kept("kext_iso_machine", { ...EXAMPLES.holds, reps: 3 }, { legs: "one" });

let made = 0;
const record = (l: KeptLine, over: Partial<SetRecord> = {}): SetRecord => {
  made += 1;
  const set = l.sets[(over.setNo ?? 1) - 1];
  return {
    id: lineIdOf(1000 + made),
    lineId: l.lineId,
    exerciseId: l.exerciseId,
    setNo: 1,
    leg: l.legs === "together" ? "both" : "right",
    boutNo: 1,
    corrects: null,
    voided: false,
    startedAt: new Date(made * 60_000).toISOString(),
    workedS: set?.holds?.holdS ?? set?.workS ?? 0,
    reps: set?.reps ?? null,
    loadKg: set?.loadKg ?? null,
    how: set?.how ?? null,
    rangeFromDeg: null,
    rangeToDeg: null,
    painBefore: null,
    pain: 1,
    reserve: null,
    felt: null,
    early: null,
    meanForceN: null,
    countedBy: "tap",
    faults: [],
    elsewhere: [],
    worn: "none",
    help: "none",
    ...over,
  };
};
const whole = (l: KeptLine, over: Partial<SetRecord> = {}): SetRecord[] =>
  l.sets.map((_, i) => record(l, { setNo: i + 1, ...over }));

test("nothing logged is not known, never good", () => {
  expect(lineDone(press, [])).toEqual({
    cleanShare: null,
    faults: [],
    elsewhere: [],
    moreAid: null,
    painBefore: null,
    painDuring: null,
    reached: "unknown",
    reserve: null,
    rangePct: null,
    lostPosition: false,
    usedKg: null,
  });
});

test("all of it is top, a lost set or less than 80 % is below, between them is in", () => {
  expect(lineDone(press, whole(press)).reached).toBe("top");
  expect(lineDone(press, whole(press).slice(1)).reached).toBe("below");
  const short = (reps: number) => [...whole(press).slice(1), record(press, { reps })];
  expect(lineDone(press, short(8)).reached).toBe("in");
  expect(lineDone(press, short(7)).reached).toBe("below");
  // the top of the line's own range comes first
  expect(lineDone(press, whole(press), 12).reached).toBe("in");
});

test("a hold within half a second of its end is whole; the worst of the holds counts", () => {
  const s = hold.sets[0]?.holds?.holdS as number;
  const bouts = (...worked: number[]) => worked.map((w, i) => record(hold, { boutNo: i + 1, workedS: w }));
  expect(lineDone(hold, bouts(s, s - 0.4, s)).reached).toBe("top");
  expect(lineDone(hold, bouts(s, s * 0.9, s)).reached).toBe("in");
  expect(lineDone(hold, bouts(s, s * 0.5, s)).reached).toBe("below");
  expect(lineDone(hold, bouts(s, s)).reached).toBe("below");
});

test("both legs must have done it; the smaller reserve of the two counts", () => {
  const turns = kept("lp_single", EXAMPLES.straight, { legs: "in_turns" });
  const right = whole(turns, { leg: "right", reserve: 4 });
  const left = whole(turns, { leg: "left", reserve: 1 });
  expect(lineDone(turns, right).reached).toBe("below");
  expect(lineDone(turns, [...right, ...left])).toMatchObject({ reached: "top", reserve: 1 });
});

test("an accumulated set is its total, however many bouts it took", () => {
  const l = kept("lp_horizontal", EXAMPLES.accumulated);
  const bouts = (...reps: number[]) => reps.map((n, i) => record(l, { setNo: i + 1, reps: n }));
  expect(lineDone(l, bouts(10, 8, 7)).reached).toBe("top");
  expect(lineDone(l, bouts(10, 8, 3)).reached).toBe("in");
  expect(lineDone(l, bouts(10, 5)).reached).toBe("below");
});

test("what was taken back or corrected does not count; what replaced it does", () => {
  const [first, ...rest] = whole(press, { pain: 6 });
  if (!first) throw new Error("no sets");
  const calm = rest.map((r) => ({ ...r, pain: 1 }));
  expect(lineDone(press, [first, ...calm]).painDuring).toBe(6);
  const corrected = record(press, { corrects: first.id, pain: 2 });
  expect(lineDone(press, [first, ...calm, corrected]).painDuring).toBe(2);
  const voided = record(press, { corrects: first.id, voided: true });
  expect(lineDone(press, [first, ...calm, voided])).toMatchObject({ painDuring: 1, reached: "below" });
});

test("swapped for today: its pain counts, the planned exercise is not known", () => {
  const other = whole(press, { exerciseId: "half_squat", pain: 3 });
  expect(lineDone(press, other)).toMatchObject({
    painDuring: 3,
    reached: "unknown",
    reserve: null,
    usedKg: null,
  });
});

test("another load than planned is said, for working sets only", () => {
  const planned = press.sets[0]?.loadKg as number;
  expect(lineDone(press, whole(press)).usedKg).toBeNull();
  expect(lineDone(press, whole(press, { loadKg: planned - 5 })).usedKg).toBe(planned - 5);
  const ramp = kept("lp_horizontal", EXAMPLES.ramp);
  const sets = ramp.sets.map((s, i) =>
    record(ramp, { setNo: i + 1, loadKg: s.role === "ramp" ? 1 : s.loadKg }),
  );
  expect(lineDone(ramp, sets).usedKg).toBeNull();
});

test("range is a share of the plan where it was measured; seen to be lost and not measured it is not known", () => {
  const [from, to] = [press.fromDeg as number, press.toDeg as number];
  const measured = (share: number) =>
    whole(press, { rangeFromDeg: from, rangeToDeg: from + share * (to - from) });
  expect(lineDone(press, measured(1)).rangePct).toBeCloseTo(100, 6);
  expect(lineDone(press, measured(0.8)).rangePct).toBeCloseTo(80, 6);
  expect(lineDone(press, measured(1.2)).rangePct).toBe(100);
  expect(lineDone(press, whole(press)).rangePct).toBe(100);
  expect(lineDone(press, whole(press, { early: "range" })).rangePct).toBeNull();
});

test("another line's records change nothing, whatever they are", () => {
  const own = whole(press);
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 10 }), fc.integer({ min: 0, max: 30 }), fc.boolean())),
      (others) => {
        const strange = others.map(([pain, reps, isLost]) =>
          record(press, { lineId: lineIdOf(77), pain, reps, early: isLost ? "position" : null }),
        );
        expect(lineDone(press, [...strange, ...own])).toEqual(lineDone(press, own));
      },
    ),
  );
});

test("a week's trend needs a visit in both weeks", () => {
  expect(weeklyTrend([])).toBeNull();
  expect(
    weeklyTrend([
      { daysAgo: 0, pain: 4 },
      { daysAgo: 6, pain: 2 },
    ]),
  ).toBeNull();
  expect(
    weeklyTrend([
      { daysAgo: 0, pain: 4 },
      { daysAgo: 6, pain: 2 },
      { daysAgo: 7, pain: 1 },
      { daysAgo: 14, pain: 9 },
    ]),
  ).toEqual({ mean: 3, change: 2 });
});

test("a hold is whole within half a second of its end, and not a moment earlier", () => {
  const holdS = hold.sets[0]?.holds?.holdS ?? 0;
  const reached = (workedS: number) =>
    lineDone(
      hold,
      [1, 2, 3].map((boutNo) => record(hold, { boutNo, workedS: boutNo === 2 ? workedS : holdS })),
    ).reached;
  expect(reached(holdS - 0.5)).toBe("top");
  expect(reached(holdS - 0.6)).toBe("in");
  expect(reached(holdS - 4)).toBe("in");
});

test("a warm-up set of few repetitions keeps no line from its top; a work set does", () => {
  const ramp = kept("lp_horizontal", EXAMPLES.ramp);
  const work = ramp.sets.find((s) => s.role === "work")?.reps as number;
  expect(ramp.sets.some((s) => s.role === "ramp" && (s.reps ?? 0) < work)).toBe(true);
  expect(lineDone(ramp, whole(ramp), work).reached).toBe("top");
  expect(lineDone(ramp, whole(ramp), work + 1).reached).toBe("in");
});

test("a leg whose muscle gave out left nothing, whoever was not asked", () => {
  const last = press.sets.length;
  const [gaveOut, stopped] = (["muscle", "joint_pain"] as const).map((early) => [
    ...whole(press, { reserve: 3 }).slice(0, -1),
    record(press, { setNo: last, reps: 9, early }),
  ]);
  expect(lineDone(press, gaveOut as SetRecord[]).reserve).toBe(0);
  expect(lineDone(press, stopped as SetRecord[]).reserve).toBe(3);
});

test("the next visit begins with the hardest load that was done well (L9)", () => {
  const planned = press.sets.find((s) => s.role === "work") as KeptLine["sets"][number];
  const [kg, aim] = [planned.loadKg as number, planned.reserve as number];
  const of = (...sets: Partial<SetRecord>[]) =>
    lineDone(
      press,
      sets.map((over, i) => record(press, { setNo: i + 1, reserve: aim, ...over })),
    ).usedKg;
  expect(of({}, { loadKg: kg + 10 }, { loadKg: kg + 5 })).toBe(kg + 10);
  // one less left than aimed at is well, two less are not
  expect(of({}, { loadKg: kg + 5 }, { loadKg: kg + 10, reserve: aim - 1 })).toBe(kg + 10);
  expect(of({}, { loadKg: kg + 5 }, { loadKg: kg + 10, reserve: aim - 2 })).toBe(kg + 5);
  expect(of({}, { loadKg: kg + 5 }, { loadKg: kg + 10, reps: 4, early: "muscle" })).toBe(kg + 5);
});

test("where nothing was done well and the muscle gave out the next visit begins lighter than that (L8, L9)", () => {
  const lighter = kept("lp_horizontal", EXAMPLES.straight, { loadKg: 60 });
  const loads = [40, 45, 50, 55].map((loadKg) => ({ loadKg, how: `${loadKg} kg` }));
  const l = { ...lighter, lighter: loads } as unknown as KeptLine;
  const kg = l.sets[0]?.loadKg as number;
  const used = lineDone(l, [record(l, { reps: 5, early: "muscle" })]).usedKg;
  expect(used).not.toBeNull();
  expect(used).toBeLessThan(kg);
  // pain says nothing of what the muscle can do
  expect(lineDone(l, [record(l, { reps: 5, early: "joint_pain" })]).usedKg).toBeNull();
});

test("the next visit does not begin with what was lifted in a wrap that nobody planned (Aid 2)", () => {
  const kg = press.sets.find((x) => x.role === "work")?.loadKg ?? 0;
  const heavier = (over: Partial<SetRecord>) => whole(press, { loadKg: kg + 10, reserve: 9, ...over });
  expect(lineDone(press, heavier({})).usedKg).toBe(kg + 10);
  expect(lineDone(press, heavier({ worn: "tight_wrap" })).usedKg).toBeNull();
  const wrapped = { ...press, aid: { worn: "tight_wrap" as const, help: "none" as const } };
  expect(lineDone(wrapped, heavier({ worn: "tight_wrap" })).usedKg).toBe(kg + 10);
});

test("a last set in its own way is held against its own aim, and its lighter load is not what the next visit begins with (X4)", () => {
  const nearer = kept("lp_horizontal", { ...EXAMPLES.straight, reserve: 3, last: "nearer" });
  const last = (reserve: number) =>
    nearer.sets.map((_, i) => record(nearer, { setNo: i + 1, reserve: i === 2 ? reserve : null }));
  // two were to be left of it, three of the others: two left is as planned
  expect(lineDone(nearer, last(2)).reserve).toBe(3);
  expect(lineDone(nearer, last(0)).reserve).toBe(1);
  expect(lineDone(press, whole(press, { reserve: 2 })).reserve).toBe(2);
  // fewer of slower ones keep no line from its top
  const slower = kept("lp_horizontal", { ...EXAMPLES.straight, last: "slower" });
  expect(slower.sets.map((x) => x.reps)).toEqual([10, 10, 7]);
  expect(lineDone(slower, whole(slower, { reserve: 2 }), 10).reached).toBe("top");
  expect(lineDone(slower, whole(slower, { reserve: 2 }), 12).reached).toBe("in");
  const lighter = kept("lp_horizontal", { ...EXAMPLES.straight, last: "lighter" });
  const kgs = lighter.sets.map((s) => s.loadKg ?? 0);
  expect(kgs[2]).toBeLessThan(kgs[1] ?? 0);
  expect(lineDone(lighter, whole(lighter, { reserve: 2 }))).toMatchObject({ reached: "top", usedKg: null });
});
