import type { HoldPlan } from "../dose/holdPlan";
import { ladder } from "./ladder";
import type { Irritability, School } from "./painRule";
import type { Action } from "./safetyRules";

export interface NextHold {
  /** null: no more of this work until a therapist has seen the client */
  plan: HoldPlan | null;
  /** what changes, in one sentence; exactly one of angle, hold and effort moves */
  sentence: string;
}

const LONGEST_HOLD_S = 45;
const MOST_PERCENT = 80;
const LEAST_PERCENT = 20;
const MOST_FELT = 8;
const LEAST_FELT = 2;

/**
 * What a decision makes of a plan of holds: one rung up or down the angle ladder; at the goal five seconds more up to
 * 45 s, then more effort; on the first rung less effort. Dosing rules E4, E6.
 */
export function nextHold(
  plan: HoldPlan,
  action: Action,
  rules: readonly string[],
  context: { school: School; irritability: Irritability; allowedDeg: readonly [number, number] },
): NextHold {
  switch (action) {
    case "STOP_REFER":
      return {
        plan: null,
        sentence: "Stop these holds; refer. A therapist starts them again with a new plan.",
      };
    case "HOLD":
      return { plan, sentence: "The same again: same angle, same effort, same seconds." };
    case "REGRESS":
      return stepBack(plan, context);
    case "PROGRESS":
      if (rules.includes("P4"))
        return { plan, sentence: "The same angle and setting; reach the full seconds in every hold." };
      return stepUp(plan, context);
  }
}

type Context = Parameters<typeof nextHold>[3];

/** Rungs this plan may use today, from the start of its ladder to its goal. */
export function rungsFor(plan: HoldPlan, c: Context): number[] {
  return ladder({
    fromDeg: plan.ladderFromDeg,
    toDeg: plan.ladderToDeg,
    school: c.school,
    irritability: c.irritability,
    blockedDeg: [],
  }).filter((deg) => deg >= c.allowedDeg[0] && deg <= c.allowedDeg[1]);
}

/** Rungs beyond (+1) or before (−1) the plan's angle, nearest first. */
function rungsTowards(plan: HoldPlan, c: Context, way: 1 | -1): number[] {
  const up = plan.ladderToDeg >= plan.ladderFromDeg ? 1 : -1;
  const direction = up * way;
  return rungsFor(plan, c)
    .filter((deg) => direction * (deg - plan.kneeFlexionDeg) > 0.5)
    .sort((a, b) => direction * (a - b));
}

function stepUp(plan: HoldPlan, c: Context): NextHold {
  const rung = rungsTowards(plan, c, 1)[0];
  if (rung !== undefined)
    return {
      plan: { ...plan, kneeFlexionDeg: rung },
      sentence: `One rung up: hold at ${rung}° instead of ${plan.kneeFlexionDeg}°, same effort, same seconds.`,
    };
  const { holdS } = plan.pattern;
  if (holdS < LONGEST_HOLD_S) {
    const longer = Math.min(LONGEST_HOLD_S, holdS + 5);
    return {
      plan: { ...plan, pattern: { ...plan.pattern, holdS: longer } },
      sentence: `At the goal angle: hold ${longer} s instead of ${holdS} s, same angle, same effort.`,
    };
  }
  const effort = moreEffort(plan.effort);
  return effort
    ? {
        plan: { ...plan, effort: effort.target },
        sentence: `At the goal angle and ${LONGEST_HOLD_S} s: ${effort.words}, same angle.`,
      }
    : { plan, sentence: "The goal is reached: keep it once or twice a week, or set a new goal." };
}

function stepBack(plan: HoldPlan, c: Context): NextHold {
  const rung = rungsTowards(plan, c, -1)[0];
  if (rung !== undefined)
    return {
      plan: { ...plan, kneeFlexionDeg: rung },
      sentence: `One rung back: hold at ${rung}° instead of ${plan.kneeFlexionDeg}°, same effort, same seconds.`,
    };
  const effort = lessEffort(plan.effort);
  return effort
    ? {
        plan: { ...plan, effort: effort.target },
        sentence: `On the first rung: ${effort.words}, same angle.`,
      }
    : {
        plan,
        sentence: "Already on the first rung at the least effort: look at the whole plan with the client.",
      };
}

function moreEffort(e: HoldPlan["effort"]): { target: HoldPlan["effort"]; words: string } | null {
  if (e.kind === "felt")
    return e.felt >= MOST_FELT
      ? null
      : {
          target: { kind: "felt", felt: Math.min(MOST_FELT, e.felt + 0.5) },
          words: "half a point more felt effort",
        };
  return e.percent >= MOST_PERCENT
    ? null
    : {
        target: { kind: "percent", percent: Math.min(MOST_PERCENT, e.percent + 5) },
        words: "5 points more of maximum",
      };
}

function lessEffort(e: HoldPlan["effort"]): { target: HoldPlan["effort"]; words: string } | null {
  if (e.kind === "felt")
    return e.felt <= LEAST_FELT
      ? null
      : {
          target: { kind: "felt", felt: Math.max(LEAST_FELT, e.felt - 1) },
          words: "one point less felt effort",
        };
  return e.percent <= LEAST_PERCENT
    ? null
    : {
        target: { kind: "percent", percent: Math.max(LEAST_PERCENT, e.percent - 10) },
        words: "10 points less of maximum",
      };
}
