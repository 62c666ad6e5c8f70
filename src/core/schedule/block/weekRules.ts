/** What a day of a sheet is to the week: a hard leg day, the accumulated set, holds, or stretching only. */
export type DayKind = "strength" | "accumulated" | "iso" | "stretch";

export const isHard = (kind: DayKind): boolean => kind === "strength" || kind === "accumulated";

/** One sheet with what is wished of it in a week. */
export interface WeekSheet {
  id: string;
  kind: DayKind;
  /** minutes that a day of it takes */
  minutes: number;
  /** it needs the clinic's or another gym's machines: only on days on which the client comes */
  needsGym: boolean;
  /** days a week that are wished for */
  times: number;
  /** of one run: what the weekly guard looks at */
  hardReps: number;
  kneecapChairS: number;
}

/** Rules that are never broken; each is said in words where it stands in the way. */
export type WeekRule =
  | "not_free"
  | "no_gym"
  | "minutes"
  | "hard_48h"
  | "after_accumulated_72h"
  | "accumulated_7d"
  | "hard_reps_week"
  | "kneecap_week"
  | "once_a_day"
  | "not_in_use";

/** Days from one hard leg day to the next (48 h), and after an accumulated set (72 h). Dosing rules G1. */
export const HARD_GAP_DAYS = 2;
export const AFTER_ACCUMULATED_DAYS = 3;
/** Days between two accumulated sets at the least. */
export const ACCUMULATED_GAP_DAYS = 7;

/** A hard day with whether it was an accumulated one; days are counted from any common day on. */
export interface HardDay {
  day: number;
  isAccumulated: boolean;
}

/** The first pair of hard days that stand too close, with the rule; null where all are apart. Sorted by day. */
export function tooClose(
  hard: readonly HardDay[],
): { rule: "hard_48h" | "after_accumulated_72h" | "accumulated_7d"; from: number; to: number } | null {
  let lastAccumulated: number | null = null;
  for (const [i, h] of hard.entries()) {
    const before = hard[i - 1];
    if (before) {
      const gap = h.day - before.day;
      if (gap < HARD_GAP_DAYS) return { rule: "hard_48h", from: before.day, to: h.day };
      if (before.isAccumulated && gap < AFTER_ACCUMULATED_DAYS)
        return { rule: "after_accumulated_72h", from: before.day, to: h.day };
    }
    if (!h.isAccumulated) continue;
    if (lastAccumulated !== null && h.day - lastAccumulated < ACCUMULATED_GAP_DAYS)
      return { rule: "accumulated_7d", from: lastAccumulated, to: h.day };
    lastAccumulated = h.day;
  }
  return null;
}
