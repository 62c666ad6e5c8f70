/** The mean pain of this week, and its change against the week before; null unless both weeks have a visit. */
export function weeklyTrend(
  visits: readonly { daysAgo: number; pain: number }[],
): { mean: number; change: number } | null {
  const mean = (from: number, to: number) => {
    const week = visits.filter((s) => s.daysAgo >= from && s.daysAgo < to);
    return week.length ? week.reduce((sum, s) => sum + s.pain, 0) / week.length : null;
  };
  const [now, before] = [mean(0, 7), mean(7, 14)];
  return now === null || before === null ? null : { mean: now, change: now - before };
}
