import type { HoldPlan } from "../dose/holdPlan";
import type { TimedHold } from "../isometrics/personalFactor";
import type { DecisionInput } from "../progression/decisionInput";
import type { Irritability, School } from "../progression/painRule";
import { type HoldRecord, standing } from "./holdRecord";

export interface FinishedRun {
  records: readonly HoldRecord[];
  painAtStart: number | null;
  painAtEnd: number | null;
  feltEffort: number | null;
}

/** Held against planned: a lost hold or less than 80 % is below, all of it is top. Dosing rules E4. */
export function heldState(plan: HoldPlan, records: readonly HoldRecord[]): "below" | "in" | "top" {
  const planned = plan.pattern.reps * plan.pattern.sets;
  const done = standing(records);
  const worst = done.reduce((low, r) => Math.min(low, r.heldS / plan.pattern.holdS), 1);
  if (done.length < planned || worst < 0.8) return "below";
  // a stop within half a second of the end is the beat of a finger, not a lost hold
  return done.every((r) => r.heldS >= plan.pattern.holdS - 0.5) ? "top" : "in";
}

export interface SummaryContext {
  school: School;
  irritability: Irritability;
  writtenPainLimit: number | null;
  usualPain: number;
  redFlag: boolean;
  morning: { pain: number | null; swelling: number | null } | null;
  swellingBefore: number | null;
  swellingApplies: boolean;
  weekTrend: number | null;
  prevRegress: boolean;
  missedBefore: boolean;
  /** good sessions banked on this step before this one */
  banked: number;
  /** felt effort the plan aims at */
  feltTarget: number;
}

/** What the decision table looks at, from what was really logged. For holds, reserve is 10 minus felt effort [own]. */
export function decisionInputFor(plan: HoldPlan, run: FinishedRun, c: SummaryContext): DecisionInput {
  const done = standing(run.records);
  const during = done.map((r) => r.painAfter);
  return {
    school: c.school,
    irritability: c.irritability,
    writtenPainLimit: c.writtenPainLimit,
    redFlag: c.redFlag,
    techniqueStop: done.some((r) => r.early === "position"),
    prevRegress: c.prevRegress,
    missedBefore: c.missedBefore,
    satisfiedStreak: c.banked + 1,
    usualPain: c.usualPain,
    painBefore: done[0]?.painBefore ?? run.painAtStart,
    painDuring: during.length ? Math.max(...during) : null,
    painAfter: run.painAtEnd,
    painMorning: c.morning?.pain ?? null,
    effusion: c.morning?.swelling ?? null,
    effusionBefore: c.swellingBefore,
    effusionApplies: c.swellingApplies,
    rangePct: done.length ? 100 : null,
    weekTrend: c.weekTrend,
    repsState: heldState(plan, run.records),
    rir: run.feltEffort === null ? null : 10 - run.feltEffort,
    rirTarget: 10 - c.feltTarget,
  };
}

/** First holds that ended because the muscle gave out: they tell how long this person holds. */
export function timedHoldsFrom(
  runs: readonly { shareOfMax: number; records: readonly HoldRecord[] }[],
): TimedHold[] {
  return runs.flatMap((run) => {
    const first = standing(run.records)[0];
    return first?.seq === 1 && first.early === "muscle"
      ? [{ shareOfMax: run.shareOfMax, heldS: first.heldS }]
      : [];
  });
}

/** Change of mean pain against the week before; null unless both weeks have a session. Days are ISO dates, oldest first. */
export function weeklyTrend(sessions: readonly { daysAgo: number; pain: number }[]): number | null {
  const mean = (from: number, to: number) => {
    const week = sessions.filter((s) => s.daysAgo >= from && s.daysAgo < to);
    return week.length ? week.reduce((sum, s) => sum + s.pain, 0) / week.length : null;
  };
  const [now, before] = [mean(0, 7), mean(7, 14)];
  return now === null || before === null ? null : now - before;
}
