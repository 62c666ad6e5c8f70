import type { ByMuscle, Muscle } from "../balance";

/** What a day of a sheet is to the week: a hard leg day, the accumulated set, holds, or stretching only. */
export type DayKind = "strength" | "accumulated" | "iso" | "stretch";

export const isHard = (kind: DayKind): boolean => kind === "strength" || kind === "accumulated";

/** What one run of a sheet takes and gives. */
export interface RunDose {
  minutes: number;
  /** effective sets by muscle group: what the weekly guard looks at */
  sets: ByMuscle;
  kneecapChairS: number;
  /** on what is sore. Rule W4 */
  tissue: number;
}

/** One sheet with what is wished of it in a week. */
export interface WeekSheet extends RunDose {
  id: string;
  kind: DayKind;
  /** it needs the clinic's or another gym's machines: only on days on which the client comes */
  needsGym: boolean;
  /** days a week that are wished for */
  times: number;
  /** a set fewer of each line and no support work; null: it cannot be shorter. Rule W2 */
  short: RunDose | null;
  /** muscle groups that need two days after it. Rule W3 */
  hardFor: readonly Muscle[];
}

/** One run of a sheet in the form that is planned. */
export const doseOf = (s: WeekSheet, isShort: boolean): RunDose => (isShort && s.short ? s.short : s);

/** A whole day of it puts more on what is sore than what went well allows. Rule W4 */
export const isTooMuch = (s: WeekSheet, { guard }: { guard: { mostTissue: number } }): boolean =>
  s.tissue > guard.mostTissue + 1e-9;

/** Rules that a week is laid by; each is said in words where it stands in the way. */
export type WeekRule =
  | "not_free"
  | "no_gym"
  | "minutes"
  | "hard_48h"
  | "after_accumulated_72h"
  | "accumulated_7d"
  | "sets_week"
  | "tissue_day"
  | "once_a_day"
  | "not_in_use";

/** Days from one hard day of a muscle group to the next (48 h), and after an accumulated set (72 h). Dosing rules G1, rule W3. */
export const HARD_GAP_DAYS = 2;
export const AFTER_ACCUMULATED_DAYS = 3;
/** Days between two accumulated sets at the least. */
export const ACCUMULATED_GAP_DAYS = 7;

/** A hard day: whether it was an accumulated one, and for which muscle groups; days are counted from any common day on. */
export interface HardDay {
  day: number;
  isAccumulated: boolean;
  muscles: readonly Muscle[];
  /** the client's own, in their words: nothing moves it */
  what?: string;
}

export type SpacingRule = "hard_48h" | "after_accumulated_72h" | "accumulated_7d";

const sharesMuscle = (a: HardDay, b: HardDay): boolean => a.muscles.some((m) => b.muscles.includes(m));

/** The rule that two hard days break; null where they stand far enough apart, or are hard for other muscle groups. */
export function tooClose(x: HardDay, y: HardDay): SpacingRule | null {
  const [a, b] = x.day <= y.day ? [x, y] : [y, x];
  const gap = b.day - a.day;
  if (gap < HARD_GAP_DAYS && sharesMuscle(a, b)) return "hard_48h";
  const isAfter = a.isAccumulated || (gap === 0 && b.isAccumulated);
  if (isAfter && gap < AFTER_ACCUMULATED_DAYS) return "after_accumulated_72h";
  return a.isAccumulated && b.isAccumulated && gap < ACCUMULATED_GAP_DAYS ? "accumulated_7d" : null;
}
