/** Change of mean pain against the week before; null unless both weeks have a visit. */
export function weeklyTrend(visits: readonly { daysAgo: number; pain: number }[]): number | null {
  const mean = (from: number, to: number) => {
    const week = visits.filter((s) => s.daysAgo >= from && s.daysAgo < to);
    return week.length ? week.reduce((sum, s) => sum + s.pain, 0) / week.length : null;
  };
  const [now, before] = [mean(0, 7), mean(7, 14)];
  return now === null || before === null ? null : now - before;
}
