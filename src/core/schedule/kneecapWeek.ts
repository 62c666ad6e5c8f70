/** What one saved session gave, by the days since it. */
export interface PastLoad {
  daysAgo: number;
  kneecapChairS: number;
}

const WEEK_DAYS = 7;

/** Kneecap work of seven days with the session at hand, and of the seven before them; null: nothing was done before. */
export interface WeekOfKneecap {
  thisWeek: number;
  lastWeek: number | null;
}

/** This week's kneecap load with the session at hand beside the week before it. Pain and swelling say what is too much. */
export function kneecapWeek(planned: number, past: readonly PastLoad[]): WeekOfKneecap {
  const within = (from: number, to: number): number =>
    past.filter((p) => p.daysAgo >= from && p.daysAgo < to).reduce((sum, p) => sum + p.kneecapChairS, 0);
  const oldest = Math.max(0, ...past.map((p) => p.daysAgo));
  return {
    // the six days before today count as this week with today
    thisWeek: planned + within(1, WEEK_DAYS),
    lastWeek: oldest < WEEK_DAYS ? null : within(WEEK_DAYS, 2 * WEEK_DAYS),
  };
}
