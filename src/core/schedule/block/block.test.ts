import fc from "fast-check";
import { daysAfter, daysBetween } from "../../units/days";
import { type BlockQuestion, type BlockSheet, endsOn, mostOfWeek } from "./block";
import { buildBlock } from "./buildBlock";
import { checkBlock } from "./checkBlock";
import { solveWeek } from "./solveWeek";
import type { DayKind, WeekSheet } from "./weekRules";

const MONDAY = "2026-03-02";
const KINDS: readonly DayKind[] = ["strength", "accumulated", "iso", "stretch"];

const sheet = (kind: DayKind, over: Partial<BlockSheet> = {}): BlockSheet => ({
  id: kind,
  kind,
  minutes: { strength: 40, accumulated: 20, iso: 12, stretch: 10 }[kind],
  needsGym: kind === "strength" || kind === "accumulated",
  times: { strength: 3, accumulated: 1, iso: 4, stretch: 5 }[kind],
  keepTimes: { strength: 1, accumulated: 0, iso: 2, stretch: 2 }[kind],
  hardReps: { strength: 20, accumulated: 12, iso: 0, stretch: 0 }[kind],
  kneecapChairS: { strength: 60, accumulated: 30, iso: 40, stretch: 0 }[kind],
  ...over,
});

const question = (over: Partial<BlockQuestion> = {}): BlockQuestion => ({
  startsOn: MONDAY,
  notBefore: MONDAY,
  buildWeeks: 6,
  keepWeeks: 4,
  sheets: [sheet("strength"), sheet("iso")],
  minutes: [60, 60, 0, 60, 60, 0, 30],
  gym: [true, true, false, true, true, false, false],
  away: [],
  hardDone: [],
  weeksDone: Array.from({ length: 4 }, () => ({ hardReps: 60, kneecapChairS: 400 })),
  begun: { hardReps: 0, kneecapChairS: 0 },
  ...over,
});

const anySheets = fc
  .tuple(
    fc.nat(4),
    fc.nat(1),
    fc.integer({ min: 0, max: 7 }),
    fc.integer({ min: 0, max: 7 }),
    fc.boolean(),
    fc.integer({ min: 1, max: 80 }),
  )
  .map(([strength, accumulated, iso, stretch, atHome, hard]) => [
    sheet("strength", { times: strength, keepTimes: Math.min(2, strength), hardReps: hard }),
    sheet("accumulated", { times: accumulated, keepTimes: accumulated, hardReps: hard / 2 }),
    sheet("iso", { times: iso, keepTimes: Math.min(2, iso), needsGym: !atHome && iso < 3 }),
    sheet("stretch", { times: stretch, keepTimes: Math.min(3, stretch) }),
  ]);

const anyQuestion: fc.Arbitrary<BlockQuestion> = fc
  .record({
    sheets: anySheets,
    minutes: fc.array(fc.constantFrom(0, 20, 40, 60, 90), { minLength: 7, maxLength: 7 }),
    gym: fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }),
    away: fc.array(
      fc.nat(69).map((d) => daysAfter(MONDAY, d)),
      { maxLength: 12 },
    ),
    hardDone: fc.array(fc.record({ ago: fc.nat(12), isAccumulated: fc.boolean() }), { maxLength: 3 }),
    weeksDone: fc.array(fc.record({ hardReps: fc.nat(120), kneecapChairS: fc.nat(600) }), { maxLength: 4 }),
    buildWeeks: fc.integer({ min: 4, max: 6 }),
    keepWeeks: fc.integer({ min: 0, max: 4 }),
    begun: fc.record({ hardReps: fc.nat(40), kneecapChairS: fc.nat(200) }),
    notBefore: fc.nat(6).map((d) => daysAfter(MONDAY, d)),
  })
  .map((x) => ({
    ...question(),
    ...x,
    // also in the week that has begun, and on the very day
    hardDone: x.hardDone.map((h) => ({ on: daysAfter(x.notBefore, -h.ago), isAccumulated: h.isAccumulated })),
  }));

test("over clients of every kind no hard rule is ever broken, and what is dropped names a rule", () => {
  fc.assert(
    fc.property(anyQuestion, (q) => {
      const { days, weeks } = buildBlock(q);
      expect(checkBlock(q, days)).toEqual([]);
      expect(days.every((d) => d.on >= q.startsOn && d.on <= endsOn(q))).toBe(true);
      for (const [w, week] of weeks.entries())
        for (const s of q.sheets) {
          const wish = week.isKeeping ? s.keepTimes : s.times;
          const had = days.filter(
            (d) => d.sheetId === s.id && Math.floor(daysBetween(q.startsOn, d.on) / 7) === w,
          ).length;
          const dropped = week.dropped.find((x) => x.sheetId === s.id);
          expect(had + (dropped?.times ?? 0)).toBe(wish);
          if (dropped) expect(dropped.because.length).toBeGreaterThan(0);
        }
    }),
    { numRuns: 150 },
  );
}, 240_000);

/** Every way to lay a week, tried one by one: slow, and without a thought. */
function bruteForce(
  sheets: readonly WeekSheet[],
  minutes: readonly number[],
  gym: readonly boolean[],
): number {
  let most = 0;
  const masks = sheets.map((s) =>
    Array.from({ length: 128 }, (_, m) => m).filter((m) => bits(m).length === s.times),
  );
  const go = (at: number, chosen: number[]): void => {
    if (at < sheets.length) {
      for (const m of masks[at] ?? []) go(at + 1, [...chosen, m]);
      return;
    }
    const days = sheets.flatMap((s, i) => bits(chosen[i] as number).map((d) => ({ s, d })));
    const fits = days.every(({ s, d }) => (minutes[d] as number) > 0 && (!s.needsGym || gym[d]));
    const load = minutes.every(
      (m, d) => days.filter((x) => x.d === d).reduce((sum, x) => sum + x.s.minutes, 0) <= m,
    );
    const hard = days.filter((x) => x.s.kind === "strength" || x.s.kind === "accumulated");
    const apart = hard.every((a) =>
      hard.every((b) => {
        if (a === b) return true;
        const gap = (b.d - a.d + 7) % 7;
        if (gap === 0) return false;
        return gap >= (a.s.kind === "accumulated" ? 3 : 2);
      }),
    );
    if (fits && load && apart) most = 1;
  };
  go(0, []);
  return most;
}
const bits = (m: number): number[] => [0, 1, 2, 3, 4, 5, 6].filter((d) => m & (1 << d));

test("a week is left short only where no way of laying it fits: every other way was tried", () => {
  fc.assert(
    fc.property(
      fc.tuple(fc.integer({ min: 0, max: 3 }), fc.nat(1), fc.integer({ min: 0, max: 3 })),
      fc.array(fc.constantFrom(0, 30, 60), { minLength: 7, maxLength: 7 }),
      fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }),
      ([strength, accumulated, iso], minutes, gym) => {
        const sheets = [
          sheet("strength", { times: strength }),
          sheet("accumulated", { times: accumulated }),
          sheet("iso", { times: iso, needsGym: false }),
        ];
        const solved = solveWeek({ sheets, minutes, gym, around: "circular" });
        expect(solved.dropped.length === 0).toBe(bruteForce(sheets, minutes, gym) === 1);
      },
    ),
    { numRuns: 120 },
  );
}, 120_000);

test("each impossible wish names the rule that stands in its way", () => {
  const because = (over: Partial<BlockQuestion>, id = "strength") =>
    buildBlock(question({ buildWeeks: 4, keepWeeks: 0, ...over })).weeks[1]?.dropped.find(
      (d) => d.sheetId === id,
    )?.because;
  const plenty = { weeksDone: Array.from({ length: 4 }, () => ({ hardReps: 900, kneecapChairS: 9000 })) };
  // four hard days cannot keep 48 h in a week
  expect(
    because({
      ...plenty,
      sheets: [sheet("strength", { times: 4 })],
      minutes: Array(7).fill(60),
      gym: Array(7).fill(true),
    }),
  ).toEqual(["hard_48h"]);
  expect(
    because({ ...plenty, sheets: [sheet("strength", { times: 2 })], gym: [true, ...Array(6).fill(false)] }),
  ).toContain("no_gym");
  expect(because({ ...plenty, sheets: [sheet("strength", { times: 1, minutes: 75 })] })).toEqual(["minutes"]);
  expect(
    because({ ...plenty, sheets: [sheet("strength", { times: 1 })], minutes: Array(7).fill(0) }),
  ).toEqual(["not_free"]);
  expect(
    because({
      weeksDone: [{ hardReps: 20, kneecapChairS: 900 }],
      sheets: [sheet("strength", { times: 3, kneecapChairS: 0 })],
      minutes: Array(7).fill(60),
      gym: Array(7).fill(true),
    }),
  ).toContain("hard_reps_week");
  expect(
    because(
      {
        ...plenty,
        sheets: [sheet("strength", { times: 3 }), sheet("accumulated")],
        minutes: Array(7).fill(90),
        gym: Array(7).fill(true),
      },
      "accumulated",
    ),
  ).toEqual(expect.arrayContaining(["hard_48h"]));
});

test("two past hard days that stood too close are facts: the week after them is laid all the same, 48 h after the last", () => {
  for (const done of [
    [-2, -1],
    [-3, -3],
    [-9, -3],
    [-6, -4],
  ]) {
    const q = question({
      buildWeeks: 4,
      keepWeeks: 0,
      hardDone: done.map((d) => ({ on: daysAfter(MONDAY, d), isAccumulated: true })),
    });
    const { days, weeks } = buildBlock(q);
    const hard = days.filter((d) => d.sheetId === "strength");
    expect(hard.filter((d) => d.on < daysAfter(MONDAY, 7)).length).toBeGreaterThan(0);
    expect(weeks[0]?.dropped.some((d) => d.sheetId === "strength" && d.times > 2)).toBe(false);
    expect(checkBlock(q, days)).toEqual([]);
  }
});

test("a pinned day stays, the rest of its week is laid around it; where it breaks a rule the rule is named", () => {
  const q = question({ buildWeeks: 4, keepWeeks: 0 });
  const free = buildBlock(q);
  const hard = free.days.filter((d) => d.sheetId === "strength");
  const pin = { sheetId: "strength", on: daysAfter(MONDAY, 8), pinned: true };
  const built = buildBlock(q, [pin]);
  expect(built.days).toContainEqual(pin);
  expect(checkBlock(q, built.days)).toEqual([]);
  const onHoliday = { ...pin, on: daysAfter(MONDAY, 9) };
  const broken = checkBlock(q, buildBlock(q, [onHoliday]).days);
  expect(broken).toContainEqual({ rule: "not_free", on: onHoliday.on, sheetId: "strength" });
  // two days side by side, moved by hand
  const first = hard[0] as (typeof hard)[number];
  const moved = [...free.days, { ...first, on: daysAfter(first.on, 1), pinned: true }];
  expect(checkBlock(q, moved).map((b) => b.rule)).toContain("hard_48h");
});

test("two pins that no week can hold together both stay, and the rule they break is named", () => {
  const q = question({ buildWeeks: 4, keepWeeks: 0 });
  const pins = [7, 8].map((d) => ({ sheetId: "strength", on: daysAfter(MONDAY, d), pinned: true }));
  const built = buildBlock(q, pins);
  for (const pin of pins) expect(built.days).toContainEqual(pin);
  expect(checkBlock(q, built.days).map((b) => b.rule)).toContain("hard_48h");
});

test("from almost nothing a week grows by three hard repetitions and half a minute of a chair rise", () => {
  const small = [sheet("strength", { hardReps: 1, kneecapChairS: 1, times: 40 })];
  expect(mostOfWeek([{ hardReps: 2, kneecapChairS: 2 }], null, small)).toEqual({
    hardReps: 5,
    kneecapChairS: 32,
  });
});

test("a week away is not made up for: the next one starts lower than the best before it", () => {
  const away = Array.from({ length: 7 }, (_, d) => daysAfter(MONDAY, 7 + d));
  const { weeks } = buildBlock(question({ away, keepWeeks: 0 }));
  expect(weeks[1]?.load.hardReps).toBe(0);
  expect(weeks[2]?.most.hardReps).toBeLessThan(60);
  expect(weeks[2]?.load.hardReps).toBeLessThanOrEqual(48);
  expect(weeks[2]?.load.hardReps).toBeGreaterThan(0);
});

test("without a history it begins at the low end and reaches the wish within weeks", () => {
  const { weeks } = buildBlock(question({ weeksDone: [], keepWeeks: 0 }));
  const loads = weeks.map((w) => w.load.hardReps);
  expect(loads[0]).toBeLessThan(60);
  expect(loads.at(-1)).toBeGreaterThan(loads[0] as number);
});

test("every kind alone, every mask of free days: what can be had is had", () => {
  for (const kind of KINDS)
    for (let mask = 0; mask < 128; mask++) {
      const minutes = [0, 1, 2, 3, 4, 5, 6].map((d) => (mask & (1 << d) ? 60 : 0));
      const s = sheet(kind, { times: kind === "accumulated" ? 1 : 3, needsGym: false });
      const { days, dropped } = solveWeek({
        sheets: [s],
        minutes,
        gym: Array(7).fill(true),
        around: "circular",
      });
      expect((days[kind]?.length ?? 0) + (dropped[0]?.times ?? 0)).toBe(s.times);
      if (mask === 127) expect(dropped).toEqual([]);
    }
});
