import type { Action } from "../progression/safetyRules";
import type { LineDone } from "../visit/lineDone";
import { weeklyTrend } from "../visit/weeklyTrend";
import type { LinePast } from "./inputOf";

/** A decision of a line, and whether it banks a good visit. */
interface Decided {
  action: Action;
  banks: boolean;
}

/** Good visits since the last step, from decisions of a line, the newest first. */
export function bankedIn(decided: readonly Decided[]): number {
  let banked = 0;
  for (const d of decided) {
    if (d.action !== "HOLD") break;
    if (d.banks) banked++;
  }
  return banked;
}

/** Three sets running that left nothing and never failed say nothing: two before this one. Rule L7. */
const SAID_NONE = 2;
const saysNothing = (done: readonly (LineDone | null)[]): boolean =>
  done.length >= SAID_NONE &&
  done.slice(0, SAID_NONE).every((d) => d !== null && d.reserve === 0 && d.reached !== "below");

/** What a line brings along: its decisions and what was done of it before, each the newest first, and its worst pain now. */
export function linePast(
  decided: readonly Decided[],
  earlier: readonly { daysAgo: number; done: LineDone | null }[],
  worstNow: number | null,
): LinePast {
  const pains = earlier.flatMap(({ daysAgo, done }) =>
    done?.painDuring == null ? [] : [{ daysAgo, pain: done.painDuring }],
  );
  const trend = weeklyTrend(worstNow === null ? pains : [...pains, { daysAgo: 0, pain: worstNow }]);
  return {
    banked: bankedIn(decided),
    prevRegress: decided[0]?.action === "REGRESS",
    saidNone: saysNothing(earlier.map((e) => e.done)),
    missedBefore: earlier[0]?.done?.reached === "below",
    weekTrend: trend?.change ?? null,
    weekMean: trend?.mean ?? null,
    faults: earlier.map((e) => e.done?.faults ?? []),
  };
}
