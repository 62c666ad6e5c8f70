import { daysAfter, weekdayOf } from "../units/days";
import { besidesKept, besidesOf, hardBesides, hardEveryWeek, type RegularActivity } from "./activity";
import type { BlockQuestion } from "./block/block";
import { buildBlock } from "./block/buildBlock";
import { checkBlock } from "./block/checkBlock";

const regular = (over: Partial<RegularActivity> = {}): RegularActivity => ({
  what: "football",
  hard: 7,
  loads: ["legs"],
  weekdays: [3],
  minutes: 60,
  ...over,
});
const MONDAY = "2026-03-02";

const question = (activities: readonly RegularActivity[]): BlockQuestion => ({
  startsOn: MONDAY,
  notBefore: MONDAY,
  buildWeeks: 4,
  keepWeeks: 0,
  sheets: [
    {
      id: "legs",
      kind: "strength",
      minutes: 40,
      needsGym: false,
      times: 3,
      keepTimes: 1,
      sets: { quads: 2 },
      kneecapChairS: 0,
      tissue: 0,
      short: null,
      hardFor: ["quads"],
    },
  ],
  minutes: [60, 60, 60, 60, 60, 0, 0],
  gym: Array(7).fill(true),
  away: [],
  hardDone: [],
  activities,
  weeksDone: Array.from({ length: 4 }, () => ({ sets: { quads: 6 }, kneecapChairS: 0 })),
  begun: { sets: {}, kneecapChairS: 0 },
  guard: {
    bands: { quads: { from: 2, to: 20 } },
    ...{ step: 2, isSore: false, isBar: false, mostTissue: 99 },
  },
});

const weekdaysOf = (activities: readonly RegularActivity[]) => {
  const built = buildBlock(question(activities));
  return { built, days: [...new Set(built.days.map((d) => weekdayOf(d.on)))].sort() };
};

test("a hard day of the client's own keeps two days from hard work, every week; a light one or one off the legs does not", () => {
  expect(weekdaysOf([]).days).toEqual([0, 2, 4]);
  expect(weekdaysOf([regular({ hard: 5 })]).days).toEqual([0, 2, 4]);
  expect(weekdaysOf([regular({ loads: ["back"] })]).days).toEqual([0, 2, 4]);
  const { built, days } = weekdaysOf([regular()]);
  expect(days).toEqual([0, 4]);
  // what is left out says by what
  expect(built.weeks[1]?.dropped[0]?.stood).toContainEqual({
    ...{ rule: "hard_48h", day: 2, and: 2, what: "football" },
  });
});

test("a day put beside it by hand is named with it", () => {
  const on = daysAfter(MONDAY, 3);
  const broken = checkBlock(question([regular()]), [{ sheetId: "legs", on, pinned: true, isShort: false }]);
  expect(broken).toContainEqual({
    ...{ rule: "hard_48h", on, and: daysAfter(MONDAY, 2), sheetId: "legs", what: "football" },
  });
  const before = daysAfter(MONDAY, 1);
  expect(
    checkBlock(question([regular()]), [{ sheetId: "legs", on: before, pinned: true, isShort: false }]),
  ).toContainEqual({
    ...{ rule: "hard_48h", on: before, and: daysAfter(MONDAY, 2), sheetId: "legs", what: "football" },
  });
});

test("hard on three days a week it is ordinary life: it leaves days for the exercises, and mornings tell", () => {
  const work = regular({ what: "building work", weekdays: [1, 2, 3, 4, 5] });
  expect(hardEveryWeek([work])).toEqual([]);
  expect(weekdaysOf([work]).days).toEqual([0, 2, 4]);
  expect(besidesOf(0, null, [work])).toEqual([]);
  // also where the client names it in the morning; what is not ordinary still counts
  const match = { what: "football", hard: 8, loads: ["legs" as const] };
  expect(besidesOf(0, [{ ...work }, match], [work])).toEqual([match]);
  expect(hardEveryWeek([regular({ weekdays: [2, 6] })]).map((d) => d.weekday)).toEqual([1, 5]);
});

test("what was said of a day stands over what is usual on it", () => {
  const usual = regular({ weekdays: [1] });
  expect(hardBesides(besidesOf(0, null, [usual]))?.muscles).toContain("quads");
  expect(hardBesides(besidesOf(1, null, [usual]))).toBeNull();
  expect(hardBesides(besidesOf(0, [], [usual]))).toBeNull();
  // what was light, or off the legs, is not what stood in the way
  const said = [
    { what: "a run", hard: 6, loads: ["legs" as const] },
    { what: "gardening", hard: 3, loads: ["legs" as const] },
  ];
  expect(hardBesides(besidesOf(1, said, [usual]))).toMatchObject({ what: "a run" });
});

test("an answer says what and how hard, or nothing else, or nothing was asked", () => {
  expect(besidesKept({ what: null, hard: 7, loads: [] })).toBeNull();
  expect(besidesKept({ what: "", hard: null, loads: [] })).toEqual([]);
  expect(besidesKept({ what: "sport", hard: null, loads: ["legs"] })).toBe("no_hard");
  expect(besidesKept({ what: "sport", hard: 6, loads: ["legs"] })).toEqual([
    { what: "sport", hard: 6, loads: ["legs"] },
  ]);
});
