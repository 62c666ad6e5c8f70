import type { KeptLine } from "../sheet/line/keptLine";
import { inputOf, type VisitFacts } from "./inputOf";
import { linePast } from "./linePast";

const DONE = {
  painDuring: 2,
  painBefore: 1,
  rangePct: 100,
  reached: "top",
  reserve: 2,
  lostPosition: false,
  cleanShare: null,
  faults: [],
  elsewhere: [],
  moreAid: null,
} as unknown as Parameters<typeof inputOf>[2];
const VISIT: VisitFacts = {
  school: "monitoring",
  irritability: "low",
  writtenPainLimit: null,
  redFlag: false,
  usualPain: 1,
  painAtStart: 3,
  regions: [],
  feels: [],
  painAtEnd: 2,
  morning: null,
  swellingBefore: null,
  swellingApplies: false,
} as unknown as VisitFacts;
const LINE = { feltAim: null, sets: [] } as unknown as KeptLine;
const NOTHING_BEFORE = linePast([], [], null);
const asked = (banked: number, done = DONE) =>
  inputOf(LINE, null, done, { ...NOTHING_BEFORE, banked }, VISIT);

test("the visit that is decided counts as one more good one on this step", () => {
  expect(asked(0).satisfiedStreak).toBe(1);
  expect(asked(2).satisfiedStreak).toBe(3);
});

test("a line's own first answer of pain counts; where it has none the visit's does", () => {
  expect(asked(0).painBefore).toBe(1);
  expect(asked(0, { ...DONE, painBefore: null }).painBefore).toBe(3);
});

test("holds count seconds, sets repetitions", () => {
  const of = (reps: (number | null)[]) =>
    inputOf(
      {
        feltAim: null,
        sets: reps.map((n) => ({ role: "work", reps: n, reserve: null })),
      } as unknown as KeptLine,
      null,
      DONE,
      NOTHING_BEFORE,
      VISIT,
    ).isHeld;
  expect([of([null, null]), of([10, null]), of([])]).toEqual([true, false, false]);
});
