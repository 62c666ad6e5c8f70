import fc from "fast-check";
import { exerciseById } from "../../rules/exercises";
import type { KeptLine } from "../../sheet/line/keptLine";
import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES, line } from "../../testdata/scoreContext";
import { fromKept } from "../../units/said";
import { recordOf } from "../recordOf";
import { currentTask, startOf, type VisitState, visitState } from "../run";
import type { VisitEvent } from "../visitEvent";
import { cleanShare, faultsIn, lastThirdFrom, type SeenFault, seenFaults, watchedFaults } from "./seen";

const set = (reps: number | null, ...faults: SeenFault[]) => ({ reps, faults });

test("the clean share counts repetitions before the first fault of each set, and a hold as one", () => {
  const from9: SeenFault = { id: "knee_in", fromRep: 9 };
  expect(cleanShare([])).toBeNull();
  expect(cleanShare([set(12), set(12)])).toBe(1);
  expect(cleanShare([set(12, from9), set(12)])).toBeCloseTo(20 / 24, 9);
  expect(cleanShare([set(12, from9, { id: "jerk", fromRep: 3 })])).toBeCloseTo(2 / 12, 9);
  expect(cleanShare([set(null, { id: "shakes", fromRep: null }), set(null)])).toBe(0.5);
  // where fewer were done than it is said to have begun in, all of them were clean
  expect(cleanShare([set(6, from9)])).toBe(1);
  fc.assert(
    fc.property(
      fc.array(fc.record({ reps: fc.integer({ min: 0, max: 60 }), from: fc.integer({ min: 1, max: 60 }) }), {
        minLength: 1,
      }),
      (sets) => {
        const share = cleanShare(sets.map((s) => set(s.reps, { id: "jerk", fromRep: s.from })));
        if (share === null) return sets.every((s) => s.reps === 0);
        // one repetition later is never less clean
        const later = cleanShare(sets.map((s) => set(s.reps, { id: "jerk", fromRep: s.from + 1 })));
        return share >= 0 && share <= (later ?? 0) && (later ?? 2) <= 1;
      },
    ),
  );
});

test("it begins in the last third where nobody says more, and is named once", () => {
  expect([1, 2, 3, 8, 9, 12, 15].map(lastThirdFrom)).toEqual([1, 2, 3, 6, 7, 9, 11]);
  expect(
    seenFaults.safeParse([
      { id: "jerk", fromRep: 3 },
      { id: "jerk", fromRep: 5 },
    ]).success,
  ).toBe(false);
  expect(seenFaults.safeParse([{ id: "wobbles", fromRep: 3 }]).success).toBe(false);
  expect(faultsIn([set(8, { id: "jerk", fromRep: 3 }), set(8, { id: "jerk", fromRep: 7 })])).toEqual([
    "jerk",
  ]);
});

const [squat, after] = keptLines([
  line("sq_hack", EXAMPLES.straight),
  line("curl_seated", EXAMPLES.straight),
]).map((l) => ({ ...l, needsPins: false })) as [KeptLine, KeptLine];

/** Everything of the first set, then its rating. */
function rated(own: KeptLine, faults: SeenFault[]): VisitState {
  const lines = [own, after];
  const task = currentTask(startOf(lines));
  if (!task) throw new Error("nothing to do");
  const { lineId, set: no, leg, bout } = task;
  const events: VisitEvent[] = [
    { type: "set-up", lineId, pins: true, at: 0 },
    { type: "pain-before", score: 0, at: 1 },
    { type: "start", task: { lineId, set: no, leg, bout }, at: 2 },
    { type: "end", at: 30_000, early: null, reps: null, meanForceN: null, range: null, countedBy: "tap" },
    { type: "rate", pain: 0, reps: null, reserve: 3, felt: null, faults, recordId: lineId, at: 31_000 },
  ];
  return visitState(lines, events);
}

test("a fault that endangers the client ends the line as a lost position does; the same fault of another is written down", () => {
  const e = exerciseById("sq_hack");
  if (!e) throw new Error("no squat");
  const back: SeenFault[] = [{ id: "back_rounds", fromRep: 5 }];
  const other = rated({ ...squat, faults: watchedFaults(e, ["knee_oa"], [], "usual") }, back);
  expect(other.ended).toEqual({});
  expect(currentTask(other)?.lineId).toBe(squat.lineId);
  const disc = rated(
    { ...squat, faults: watchedFaults(e, ["lumbar_disc_flexion"], ["knee_in"], "usual") },
    back,
  );
  expect(fromKept(disc.ended[squat.lineId] ?? "")).toEqual({
    code: "floor.fault_ends",
    fault: "back_rounds",
  });
  expect(currentTask(disc)?.lineId).toBe(after.lineId);
  const [done] = disc.done;
  expect(done && recordOf(done, "right")).toMatchObject({ early: "position", faults: back });
  // what is not looked for in this line cannot end it
  expect(rated(squat, back).ended).toEqual({});
});
