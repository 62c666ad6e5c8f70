import { daysAfter, daysBetween } from "../../units/days";
import type { ByMuscle, Muscle } from "../balance";
import {
  type BlockQuestion,
  loadOfWeek,
  mostOfWeek,
  ownHardDays,
  type PlannedDay,
  type WeekLoad,
  weeksOf,
} from "./block";
import { type PinnedDay, type SolvedWeek, solveWeek, type WeekQuestion } from "./solveWeek";
import { AFTER_ACCUMULATED_DAYS, type HardDay, isHard, isTooMuch, type WeekSheet } from "./weekRules";

/** One week of a block as it was solved. */
export interface BuiltWeek {
  startsOn: string;
  isKeeping: boolean;
  load: WeekLoad;
  most: ByMuscle;
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
  // what a whole day of puts more on what is sore than went well is planned short. Rule W4
  const shortOnly = new Set(q.sheets.filter((s) => isTooMuch(s, q) && s.short).map((s) => s.id));
  const days: PlannedDay[] = [];
  const weeks: BuiltWeek[] = [];
  let nodes = 0;
  const usual = {
    building: usualWeek(q, asLaid(sheetsIn(q, false), shortOnly)),
    keeping: usualWeek(q, asLaid(sheetsIn(q, true), shortOnly)),
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
    const most = mostOfWeek(q, done, weeks.at(-1)?.most ?? null, sheets, w === 0);
    const own = usual[isKeeping ? "keeping" : "building"];
    const solved = solve({
      sheets: asLaid(sheets, shortOnly),
      minutes: q.minutes.map((m, d) => (isFree(q, daysAfter(startsOn, d)) ? m : 0)),
      gym: q.gym,
      ...(q.preference ? { preference: q.preference } : {}),
      around: [
        ...before(q, startsOn, days),
        ...after(q, startsOn, w, usual, pins),
        ...ownHardDays(q, startsOn),
      ],
      pins: pinsOfWeek(q, startsOn, pins),
      usual: own.days,
      most: w === 0 ? left(most, q.begun.sets) : most,
    });
    nodes += solved.nodes;
    const made = Object.entries(solved.days).flatMap(([sheetId, at]) =>
      at.map((d): PlannedDay => {
        const on = daysAfter(startsOn, d);
        const pin = pins.find((p) => p.sheetId === sheetId && p.on === on);
        const isShort = pin
          ? pin.isShort
          : shortOnly.has(sheetId) || (solved.short[sheetId]?.includes(d) ?? false);
        return { sheetId, on, pinned: pin !== undefined, isShort };
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

/** The short form in place of the whole one. */
const asLaid = (sheets: readonly WeekSheet[], shortOnly: ReadonlySet<string>): WeekSheet[] =>
  sheets.map((s) => (shortOnly.has(s.id) && s.short ? { ...s, ...s.short, short: null } : s));

const left = (most: ByMuscle, done: ByMuscle): ByMuscle =>
  Object.fromEntries(
    (Object.keys(most) as Muscle[]).map((m) => [m, Math.max(0, (most[m] ?? 0) - (done[m] ?? 0))]),
  );

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
    fixed: ownHardDays({ ...q, notBefore: daysAfter(q.startsOn, -7) }, q.startsOn),
  });

function hardOf(
  q: BlockQuestion,
  days: readonly { sheetId: string; on: string }[],
  startsOn: string,
): HardDay[] {
  const byId = new Map(q.sheets.map((s) => [s.id, s]));
  return days.flatMap((d) => {
    const s = byId.get(d.sheetId);
    return s && isHard(s.kind)
      ? [{ day: daysBetween(startsOn, d.on), isAccumulated: s.kind === "accumulated", muscles: s.hardFor }]
      : [];
  });
}

/** Hard days behind a week: planned in the weeks before it, or done, also in this very week. */
function before(q: BlockQuestion, startsOn: string, planned: readonly PlannedDay[]): HardDay[] {
  const done = q.hardDone.map((h) => ({
    day: daysBetween(startsOn, h.on),
    isAccumulated: h.isAccumulated,
    muscles: h.muscles,
    ...(h.what ? { what: h.what } : {}),
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
    at.map((d) => ({ sheetId, on: daysAfter(next, d) })),
  );
  const free = days.filter((d) => isFree(q, d.on));
  const hard = hardOf(q, pinned.length > 0 ? pinned : free, startsOn).sort((a, b) => a.day - b.day);
  // only what lies at its beginning can be squeezed by this week, and the accumulated set
  const accumulated = hard.find((h) => h.isAccumulated);
  const near = hard.filter((h) => h.day < 7 + AFTER_ACCUMULATED_DAYS - 1);
  return [...new Set([...near, ...(accumulated ? [accumulated] : [])])];
}

function pinsOfWeek(
  q: BlockQuestion,
  startsOn: string,
  pins: readonly PlannedDay[],
): Record<string, PinnedDay[]> {
  const found: Record<string, PinnedDay[]> = {};
  for (const s of q.sheets) {
    const own = pins.filter((p) => p.sheetId === s.id && isIn(p.on, startsOn));
    if (own.length > 0)
      found[s.id] = own.map((p) => ({ day: daysBetween(startsOn, p.on), isShort: p.isShort }));
  }
  return found;
}
