import { daysAfter, daysBetween } from "../../units/days";
import {
  type BlockQuestion,
  loadOfWeek,
  type MostOfWeek,
  mostOfWeek,
  type PlannedDay,
  type WeekLoad,
  weeksOf,
} from "./block";
import { type SolvedWeek, solveWeek, type WeekQuestion } from "./solveWeek";
import { type HardDay, isHard, type WeekSheet } from "./weekRules";

/** One week of a block as it was solved. */
export interface BuiltWeek {
  startsOn: string;
  isKeeping: boolean;
  load: WeekLoad;
  most: MostOfWeek;
  dropped: SolvedWeek["dropped"];
}

export interface BuiltBlock {
  days: PlannedDay[];
  weeks: BuiltWeek[];
  nodes: number;
}

/** Hard days so long before a week still bear on it: the accumulated set most of all. */
const LOOKS_BACK_DAYS = 10;

/**
 * A block of building weeks and the keeping weeks after it, week by week: a usual week is solved by itself and repeated
 * where it fits; a week with holidays, pins or a lower most is solved between its neighbours. Pins stay where they are,
 * also where they break a rule: `checkBlock` names it.
 */
export function buildBlock(q: BlockQuestion, pins: readonly PlannedDay[] = []): BuiltBlock {
  const days: PlannedDay[] = [];
  const weeks: BuiltWeek[] = [];
  let nodes = 0;
  const usual = {
    building: usualWeek(q, sheetsIn(q, false)),
    keeping: usualWeek(q, sheetsIn(q, true)),
  };
  nodes += usual.building.nodes + usual.keeping.nodes;
  const done: WeekLoad[] = [...q.weeksDone];
  // most weeks of a block ask the same: each question is solved once
  const known = new Map<string, SolvedWeek>();
  const solve = (asked: WeekQuestion): SolvedWeek => {
    const key = JSON.stringify(asked);
    const found = known.get(key) ?? solveWeek(asked);
    known.set(key, found);
    return found;
  };
  for (let w = 0; w < weeksOf(q); w++) {
    const isKeeping = w >= q.buildWeeks;
    const startsOn = daysAfter(q.startsOn, w * 7);
    const sheets = sheetsIn(q, isKeeping);
    const most = mostOfWeek(done, weeks.at(-1)?.most ?? null, sheets);
    const own = usual[isKeeping ? "keeping" : "building"];
    const solved = solve({
      sheets,
      minutes: q.minutes.map((m, d) => (isFree(q, daysAfter(startsOn, d)) ? m : 0)),
      gym: q.gym,
      ...(q.preference ? { preference: q.preference } : {}),
      around: [...before(q, startsOn, days), ...after(q, startsOn, w, usual, pins)],
      pins: pinsOfWeek(q, startsOn, pins),
      usual: own.days,
      most:
        w === 0
          ? {
              hardReps: left(most.hardReps, q.begun.hardReps),
              kneecapChairS: left(most.kneecapChairS, q.begun.kneecapChairS),
            }
          : most,
    });
    nodes += solved.nodes;
    const made = Object.entries(solved.days).flatMap(([sheetId, at]) =>
      at.map((d): PlannedDay => {
        const on = daysAfter(startsOn, d);
        return { sheetId, on, pinned: pins.some((p) => p.sheetId === sheetId && p.on === on) };
      }),
    );
    // pins that no solution could keep stay all the same: a person put them there, and is told what they break
    for (const p of pins)
      if (isIn(p.on, startsOn) && !made.some((m) => m.sheetId === p.sheetId && m.on === p.on))
        made.push({ ...p, pinned: true });
    made.sort((a, b) => a.on.localeCompare(b.on) || a.sheetId.localeCompare(b.sheetId));
    days.push(...made);
    const load = loadOfWeek(made, sheets, w === 0 ? q.begun : undefined);
    done.push(load);
    weeks.push({ startsOn, isKeeping, load, most, dropped: solved.dropped });
  }
  return { days, weeks, nodes };
}

const left = (most: number | null, done: number): number | null =>
  most === null ? null : Math.max(0, most - done);

const sheetsIn = (q: BlockQuestion, isKeeping: boolean): WeekSheet[] =>
  q.sheets.map((s) => ({ ...s, times: isKeeping ? s.keepTimes : s.times }));

const isFree = (q: BlockQuestion, on: string): boolean => !q.away.includes(on) && on >= q.notBefore;

const isIn = (on: string, startsOn: string): boolean => on >= startsOn && on <= daysAfter(startsOn, 6);

const usualWeek = (q: BlockQuestion, sheets: readonly WeekSheet[]): SolvedWeek =>
  solveWeek({
    sheets,
    minutes: q.minutes,
    gym: q.gym,
    ...(q.preference ? { preference: q.preference } : {}),
    around: "circular",
  });

function hardOf(q: BlockQuestion, days: readonly PlannedDay[], startsOn: string): HardDay[] {
  const kinds = new Map(q.sheets.map((s) => [s.id, s.kind]));
  return days.flatMap((d) => {
    const kind = kinds.get(d.sheetId);
    return kind && isHard(kind)
      ? [{ day: daysBetween(startsOn, d.on), isAccumulated: kind === "accumulated" }]
      : [];
  });
}

/** Hard days behind a week: planned in the weeks before it, or done, also in this very week. */
function before(q: BlockQuestion, startsOn: string, planned: readonly PlannedDay[]): HardDay[] {
  const done = q.hardDone.map((h) => ({
    day: daysBetween(startsOn, h.on),
    isAccumulated: h.isAccumulated,
  }));
  return [...done, ...hardOf(q, planned, startsOn)].filter((h) => h.day >= -LOOKS_BACK_DAYS);
}

/** The first hard days of the week after, as they usually lie or are pinned, so that it is not squeezed. */
function after(
  q: BlockQuestion,
  startsOn: string,
  w: number,
  usual: { building: SolvedWeek; keeping: SolvedWeek },
  pins: readonly PlannedDay[],
): HardDay[] {
  if (w + 1 >= weeksOf(q)) return [];
  const next = daysAfter(startsOn, 7);
  const pinned = pins.filter((p) => isIn(p.on, next));
  const own = usual[w + 1 >= q.buildWeeks ? "keeping" : "building"].days;
  const days = Object.entries(own).flatMap(([sheetId, at]) =>
    at.map((d) => ({ sheetId, on: daysAfter(next, d), pinned: false })),
  );
  const free = days.filter((d) => isFree(q, d.on));
  const hard = hardOf(q, pinned.length > 0 ? pinned : free, startsOn).sort((a, b) => a.day - b.day);
  // only the first of each kind can be squeezed by this week
  const first = hard[0];
  const accumulated = hard.find((h) => h.isAccumulated);
  return [...new Set([first, accumulated])].flatMap((h) => (h ? [h] : []));
}

function pinsOfWeek(
  q: BlockQuestion,
  startsOn: string,
  pins: readonly PlannedDay[],
): Record<string, number[]> {
  const found: Record<string, number[]> = {};
  for (const s of q.sheets) {
    const own = pins.filter((p) => p.sheetId === s.id && isIn(p.on, startsOn));
    if (own.length > 0) found[s.id] = own.map((p) => daysBetween(startsOn, p.on));
  }
  return found;
}
