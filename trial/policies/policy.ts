import type { MorningOfBody } from "../body";
import type { OnDay, TrueDay } from "../visit";

/** A way of dosing: what it plans for a week, what it does on a day, and what it hears of the morning after. */
export interface Policy {
  /** at the beginning of each week, from 0: the days on which it wants to train, from 0, Monday */
  week: (week: number) => number[];
  /** what is done on a day; null: nothing */
  run: (on: OnDay) => TrueDay | null;
  /** the morning after; null: nobody answered */
  heard: (morning: MorningOfBody | null, day: number) => void;
  /** what went wrong by its own rules */
  faults: () => { outsideLimits: number; deadEnds: number; decisions: Record<string, number> };
}
