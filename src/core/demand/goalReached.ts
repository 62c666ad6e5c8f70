import { daysAfter } from "../units/days";
import type { DatedCost } from "./costsOverTime";

/** What a goal asks is at most so much of what the leg can do, for so long: then it is kept, not built on. Rule W5. */
const MOST_PERCENT = 80;
const WEEKS_DAYS = 28;

/**
 * Whether every task of the goals took at most four fifths of the leg on each day of the last four weeks; not known of a time
 * before anything was learnt, nor of a task that bends the knee past the curve.
 */
export function goalIsReached(costs: readonly DatedCost[], today: string): boolean {
  const since = daysAfter(today, -WEEKS_DAYS);
  const byTask = new Map<string, DatedCost[]>();
  for (const c of costs.filter((x) => x.on <= today)) byTask.set(c.id, [...(byTask.get(c.id) ?? []), c]);
  return (
    byTask.size > 0 &&
    [...byTask.values()].every((own) => {
      const sorted = [...own].sort((a, b) => a.on.localeCompare(b.on));
      const before = sorted.findLast((c) => c.on <= since);
      return before !== undefined && [before, ...sorted.filter((c) => c.on > since)].every(isEasy);
    })
  );
}

const isEasy = ({ cost }: DatedCost): boolean =>
  cost.percent !== null && !cost.isAtLeast && cost.percent.value <= MOST_PERCENT;
