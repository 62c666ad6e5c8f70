import { daysAfter } from "../../units/days";
import { rampGuard } from "../rampGuard";
import type { WeekSheet } from "./weekRules";

/** A sheet with what is wished of it while building, and in the weeks of keeping after it. */
export interface BlockSheet extends WeekSheet {
  keepTimes: number;
}

/** What a block is planned from. ISO days throughout. */
export interface BlockQuestion {
  /** a Monday */
  startsOn: string;
  /** work before this day is past and not planned */
  notBefore: string;
  buildWeeks: number;
  keepWeeks: number;
  sheets: readonly BlockSheet[];
  /** minutes there are from Monday to Sunday; 0: not free */
  minutes: readonly number[];
  /** days on which the client comes to the clinic or another gym */
  gym: readonly boolean[];
  preference?: readonly number[];
  /** days that are not free: holidays, and days taken by the client's calendar */
  away: readonly string[];
  /** hard days that were done lately */
  hardDone: readonly { on: string; isAccumulated: boolean }[];
  /** what was done in the weeks before the block, the oldest first, four at most; empty: no history */
  weeksDone: readonly WeekLoad[];
  /** what was done of the first week already */
  begun: WeekLoad;
}

export interface WeekLoad {
  hardReps: number;
  kneecapChairS: number;
}

/** One day of one sheet. `pinned`: somebody put it there. */
export interface PlannedDay {
  sheetId: string;
  on: string;
  pinned: boolean;
}

export const weeksOf = (q: Pick<BlockQuestion, "buildWeeks" | "keepWeeks">): number =>
  q.buildWeeks + q.keepWeeks;

export const endsOn = (q: BlockQuestion): string => daysAfter(q.startsOn, weeksOf(q) * 7 - 1);

/** Growth that is always allowed: three hard repetitions, half a minute of a chair rise. Dosing rules G4, and [own]. */
const FLOOR = { hardReps: 3, kneecapChairS: 30 } as const;
/** Without a history the first week is this share of the whole wish [own: "the low end" of G4]. */
const LOW_END = 0.7;

/** Growth that was allowed and not used adds up, because days come whole; to so much of the last week at most [own]. */
const UNUSED_MOST = 1.5;
const UNUSED_GROWTH = 1.1;

export type MostOfWeek = Record<keyof WeekLoad, number | null>;

/**
 * The most of a week after what was done and planned before it (dosing rules G4). `lastMost`: the most of the week just
 * before, where it was planned. Days come whole: one day of the lightest sheet is always left, two after a week with
 * one [own]. Without a history a share of the whole week; null where nothing of it is counted.
 */
export function mostOfWeek(
  before: readonly WeekLoad[],
  lastMost: MostOfWeek | null,
  sheets: readonly WeekSheet[],
): MostOfWeek {
  const one = (of: keyof WeekLoad): number | null => {
    const each = sheets.filter((s) => s[of] > 0);
    if (each.length === 0) return null;
    const least = Math.min(...each.map((s) => s[of]));
    const whole = each.reduce((sum, s) => sum + s[of] * s.times, 0);
    const last = before.at(-1)?.[of];
    if (last === undefined) return Math.max(LOW_END * whole, least);
    const cap =
      rampGuard(
        whole,
        before.map((w) => w[of]),
        FLOOR[of],
      ).cap ?? whole;
    const unused = Math.min(UNUSED_GROWTH * (lastMost?.[of] ?? 0), UNUSED_MOST * last);
    return Math.max(cap, unused, last >= least ? 2 * least : least);
  };
  return { hardReps: one("hardReps"), kneecapChairS: one("kneecapChairS") };
}

/** What the planned days of a week come to, with what was done of it already. */
export function loadOfWeek(
  days: readonly PlannedDay[],
  sheets: readonly WeekSheet[],
  begun: WeekLoad = { hardReps: 0, kneecapChairS: 0 },
): WeekLoad {
  const byId = new Map(sheets.map((s) => [s.id, s]));
  const sum = (of: keyof WeekLoad) =>
    days.reduce((total, d) => total + (byId.get(d.sheetId)?.[of] ?? 0), begun[of]);
  return { hardReps: sum("hardReps"), kneecapChairS: sum("kneecapChairS") };
}
