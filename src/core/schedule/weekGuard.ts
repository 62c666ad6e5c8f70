import { rampGuard } from "./rampGuard";

/** What one saved session gave, by the days since it. */
export interface PastLoad {
  daysAgo: number;
  kneecapChairS: number;
  hardReps: number;
}

const WEEK_DAYS = 7;
const WEEKS = 4;
/** Growth that is always allowed, so that small bases may grow: three hard repetitions (dosing rules G4), or half a minute of a chair rise [own]. */
const FLOOR = { hardReps: 3, kneecapChairS: 30 } as const;

export interface GuardedLoad {
  /** this week with the session at hand, and the week before */
  thisWeek: number;
  lastWeek: number | null;
  /** the most of this week; null without history */
  most: number | null;
  isOver: boolean;
}

/** This week's load with the session at hand against the weeks before it. Dosing rules G4; pain and swelling go before it. */
export function weekGuard(
  measure: "kneecapChairS" | "hardReps",
  planned: number,
  past: readonly PastLoad[],
): GuardedLoad {
  // the six days before today count as this week with today
  const recent = past.filter((p) => p.daysAgo > 0 && p.daysAgo < WEEK_DAYS);
  const thisWeek = planned + recent.reduce((sum, p) => sum + p[measure], 0);
  const oldest = Math.max(0, ...past.map((p) => p.daysAgo));
  const weeks = Math.min(WEEKS, Math.ceil((oldest - WEEK_DAYS + 1) / WEEK_DAYS));
  const history = Array.from({ length: Math.max(0, weeks) }, (_, i) => weekBack(past, measure, weeks - i));
  const guard = rampGuard(thisWeek, history, FLOOR[measure]);
  return {
    thisWeek,
    lastWeek: history.at(-1) ?? null,
    most: guard.cap,
    isOver: guard.status === "trimmed",
  };
}

/** The sum of the week that ended `back` weeks ago: days 7·back to 7·back + 6 before today. */
const weekBack = (past: readonly PastLoad[], measure: "kneecapChairS" | "hardReps", back: number): number =>
  past
    .filter((p) => p.daysAgo >= back * WEEK_DAYS && p.daysAgo < (back + 1) * WEEK_DAYS)
    .reduce((sum, p) => sum + p[measure], 0);
