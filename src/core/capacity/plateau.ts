import { daysAfter } from "../units/days";
import type { Moved } from "./learn";
import { DOUBTED_FROM } from "./shows";

/** What a plateau is looked for in: what is believed over time, and what was done and answered in the last four weeks. */
export interface PlateauFacts {
  moved: readonly Moved[];
  today: string;
  /** days with a visit, and days that were planned; null: no days are kept */
  visits: number;
  planned: number | null;
  /** effective sets a week of the muscle group, and the least that the phase asks */
  setsAWeek: number;
  leastSets: number;
  /** mean of what was said to be left over what was aimed at; null: nobody said */
  leftOver: number | null;
  /** sore or swollen mornings */
  soreMornings: number;
}

/** What fits a plateau. */
export type PlateauBecause = "few_sets" | "light" | "held" | "other_exercise";

export interface Plateau {
  fromNm: number;
  toNm: number;
  /** one standard deviation, as a share */
  doubt: number;
  because: PlateauBecause[];
}

export const PLATEAU_DAYS = 28;
/** Less of what was planned was not tried enough; without plans twice a week is. */
const ATTENDED = 0.8;
const USUAL_VISITS = 8;
const FAR_LEFT = 2;
const MANY_MORNINGS = 2;

/** Enough of what was planned was done; asked first, since it is soon known. */
export const wasTried = ({ visits, planned }: Pick<PlateauFacts, "visits" | "planned">): boolean =>
  visits >= ATTENDED * (planned ?? USUAL_VISITS);

/**
 * Four weeks of work and the estimate up by less than its doubt, with what fits; null: it grows, was not tried, or is too
 * doubtful to say. Rule P5.
 */
export function plateauOf(f: PlateauFacts): Plateau | null {
  const since = daysAfter(f.today, -PLATEAU_DAYS);
  const then = f.moved.findLast((m) => m.on <= since && m.odd !== "waits");
  const now = f.moved.findLast((m) => m.on > since && m.odd !== "waits");
  // a guess that a test put right is no loss, and what is hardly known says nothing of growth
  if (!then || !now || Math.max(then.sd, now.sd) > DOUBTED_FROM) return null;
  if (!wasTried(f)) return null;
  if (Math.log(now.toNm / then.toNm) >= now.sd) return null;
  const because: PlateauBecause[] = [
    ...(f.soreMornings >= MANY_MORNINGS ? (["held"] as const) : []),
    ...(f.setsAWeek < f.leastSets ? (["few_sets"] as const) : []),
    ...(f.leftOver !== null && f.leftOver >= FAR_LEFT ? (["light"] as const) : []),
  ];
  return {
    ...{ fromNm: then.toNm, toNm: now.toNm, doubt: now.sd },
    because: because.length > 0 ? because : ["other_exercise"],
  };
}
