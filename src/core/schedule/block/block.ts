import { daysAfter, daysBetween } from "../../units/days";
import { hardEveryWeek, type RegularActivity } from "../activity";
import type { ByMuscle, Muscle } from "../balance";
import { mostSets, type SetGuard } from "./setGuard";
import { AFTER_ACCUMULATED_DAYS, doseOf, type HardDay, type WeekSheet } from "./weekRules";

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
  /** hard days that were done lately, and for which muscle groups; `what`: beside the exercises, in the client's words */
  hardDone: readonly { on: string; isAccumulated: boolean; muscles: readonly Muscle[]; what?: string }[];
  /** what the client does every week beside the exercises. Rule Besides 1 */
  activities: readonly RegularActivity[];
  /** what was done in the weeks before the block, the oldest first, four at most; empty: no history */
  weeksDone: readonly WeekLoad[];
  /** what was done of the first week already */
  begun: WeekLoad;
  guard: SetGuard;
}

export interface WeekLoad {
  sets: ByMuscle;
  kneecapChairS: number;
}

/** One day of one sheet. `pinned`: somebody put it there. `isShort`: in its short form. */
export interface PlannedDay {
  sheetId: string;
  on: string;
  pinned: boolean;
  isShort: boolean;
}

export const weeksOf = (q: Pick<BlockQuestion, "buildWeeks" | "keepWeeks">): number =>
  q.buildWeeks + q.keepWeeks;

export const endsOn = (q: BlockQuestion): string => daysAfter(q.startsOn, weeksOf(q) * 7 - 1);

/** The most of a week of the block, after what was done and planned before it. Rule W1. */
export const mostOfWeek = (
  q: Pick<BlockQuestion, "guard">,
  before: readonly WeekLoad[],
  lastMost: ByMuscle | null,
  sheets: readonly WeekSheet[],
  isFirst: boolean,
): ByMuscle =>
  mostSets(
    before.map((w) => w.sets),
    lastMost,
    sheets,
    q.guard,
    isFirst,
  );

export const plus = (a: ByMuscle, b: ByMuscle): ByMuscle => {
  const sum = { ...a };
  for (const m of Object.keys(b) as Muscle[]) sum[m] = (sum[m] ?? 0) + (b[m] ?? 0);
  return sum;
};

/** What the planned days of a week come to, with what was done of it already. */
export function loadOfWeek(
  days: readonly PlannedDay[],
  sheets: readonly WeekSheet[],
  begun: WeekLoad = { sets: {}, kneecapChairS: 0 },
): WeekLoad {
  const byId = new Map(sheets.map((s) => [s.id, s]));
  return days.reduce<WeekLoad>((load, d) => {
    const sheet = byId.get(d.sheetId);
    if (!sheet) return load;
    const dose = doseOf(sheet, d.isShort);
    return {
      sets: plus(load.sets, dose.sets),
      kneecapChairS: load.kneecapChairS + dose.kneecapChairS,
    };
  }, begun);
}

/**
 * The client's own hard days in and around a week of the plan, counted from its Monday: they are fixed, as done work is.
 * What lies before today was done or not, and stands under what was done. Rule Besides 1.
 */
export const ownHardDays = (
  q: Pick<BlockQuestion, "activities" | "notBefore">,
  startsOn: string,
): HardDay[] => {
  const today = daysBetween(startsOn, q.notBefore);
  return hardEveryWeek(q.activities).flatMap(({ weekday, muscles, what }) =>
    [weekday - 7, weekday, weekday + 7]
      .filter((day) => day >= today && day >= -AFTER_ACCUMULATED_DAYS && day < 7 + AFTER_ACCUMULATED_DAYS)
      .map((day) => ({ day, isAccumulated: false, muscles, what })),
  );
};
