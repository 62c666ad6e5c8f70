import { daysBetween } from "../units/days";
import { type Said, saidWith } from "../units/said";
import type { AngleTest } from "./fitTorqueAngle";
import { isSameAngle } from "./sameAngle";
import { CURVE_FROM_DEG, CURVE_TO_DEG } from "./torqueAngleShape";

export interface DatedTest extends AngleTest {
  /** ISO date */
  takenOn: string;
}

/** Tests older than this before the newest one no longer speak for the same leg [own]. */
export const CURVE_SPAN_DAYS = 28;
/** A strength test older than this is due again [own]. */
export const RETEST_AFTER_DAYS = 42;

/** The newest test at each angle the curve covers, not older than 28 days before the newest of all. */
export function testsForCurve<T extends DatedTest>(tests: readonly T[]): T[] {
  const newestFirst = tests
    .filter((t) => t.kneeFlexionDeg >= CURVE_FROM_DEG && t.kneeFlexionDeg <= CURVE_TO_DEG)
    .sort((a, b) => b.takenOn.localeCompare(a.takenOn));
  const newest = newestFirst[0];
  if (!newest) return [];
  const chosen: T[] = [];
  for (const t of newestFirst) {
    if (daysBetween(t.takenOn, newest.takenOn) > CURVE_SPAN_DAYS) continue;
    if (chosen.some((c) => isSameAngle(c.kneeFlexionDeg, t.kneeFlexionDeg))) continue;
    chosen.push(t);
  }
  return chosen;
}

/** Why a re-test is due, or null. */
export function retestDue(tests: readonly DatedTest[], today: string): Said | null {
  const newest = testsForCurve(tests)[0];
  if (!newest) return { code: "due.no_test" };
  const age = daysBetween(newest.takenOn, today);
  return age > RETEST_AFTER_DAYS ? saidWith("due.old_test", { days: age }) : null;
}
