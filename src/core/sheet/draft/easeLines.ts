import { fatigueLinesOf, itemsOf } from "../effect/scoreItems";
import { simulateSession } from "../effect/sessionFatigue";
import { type JudgedLine, judgeScore, type ScoreContext } from "../judge/judgeScore";
import type { ScoreLine } from "../line/scoreInput";
import { scoreTotals } from "../order/sessionScore";
import { LEAST_SLOW_REPS } from "../schemes/kinds/slow";
import type { Scheme } from "../schemes/scheme";

const MOST_RESERVE = 8;
const EASING_ROUNDS = 10;
const LONGER_REST_S = 30;
const MOST_REST_S = 180;
const LEAST_REPS = 5;

/**
 * Lines that what comes before them would end early get more in reserve, longer rests unless the time is fixed, and fewer
 * repetitions, until none is predicted to. Dosing rules D5 [own].
 */
export function eased(
  lines: readonly ScoreLine[],
  context: ScoreContext,
  may: { restLonger: boolean },
): ScoreLine[] {
  let kept = [...lines];
  let judged = judgeScore(kept, context);
  for (let round = 0; round < EASING_ROUNDS; round++) {
    const early = endingEarly(judged, context);
    if (early.size === 0) return kept;
    kept = kept.map((line, i) =>
      early.has(i) ? insideBounds(easier(line, round, may.restLonger), line, context) : line,
    );
    // a line is judged by itself: those that stay as they were are not judged again
    judged = kept.map((line, i) => {
      const before = judged[i] as JudgedLine;
      return line === before.line ? before : (judgeScore([line], context)[0] as JudgedLine);
    });
  }
  return kept;
}

/** Places of the lines with a set that is predicted to end early after what comes before. */
export function endingEarly(judged: readonly JudgedLine[], context: ScoreContext): Set<number> {
  const idOf = (_: ScoreLine, i: number) => String(i);
  const { steps } = scoreTotals(itemsOf(judged, idOf));
  return new Set(
    simulateSession(steps, fatigueLinesOf(judged, idOf), { k: context.personal.k, spread: 1 })
      .filter((p) => p.endsAt)
      .map((p) => Number(p.lineId)),
  );
}

/**
 * A lighter line that nothing bars. More in reserve asks for a smaller load, which the lightest there is may exceed: then
 * only the longer rest is taken. Fewer holds at the same felt effort take more force each, above what holds may use in an
 * early phase: such a line is felt less. Where that does not help either it stays as it was.
 */
export function insideBounds(next: ScoreLine, before: ScoreLine, context: ScoreContext): ScoreLine {
  const isBarred = (l: ScoreLine) => (judgeScore([l], context)[0]?.bars.length ?? 1) > 0;
  if (!isBarred(next) || isBarred(before)) return next;
  if (next.scheme.kind !== "holds") {
    const rested = restOf(next, before);
    return isBarred(rested) ? before : rested;
  }
  let line = next;
  while (isBarred(line)) {
    const { scheme } = line;
    if (scheme.kind !== "holds" || scheme.effort.kind !== "felt" || scheme.effort.felt <= LEAST_FELT)
      return before;
    const felt = Math.max(LEAST_FELT, scheme.effort.felt - 1);
    line = { ...line, scheme: { ...scheme, effort: { kind: "felt", felt } } };
  }
  return line;
}

/** The line as it was, with the rest of the other. */
function restOf(next: ScoreLine, before: ScoreLine): ScoreLine {
  if (!("restS" in next.scheme) || !("restS" in before.scheme)) return before;
  return { ...before, scheme: { ...before.scheme, restS: next.scheme.restS } };
}

/** More in reserve and rest first; every other time fewer repetitions. */
function easier(line: ScoreLine, round: number, mayRestLonger: boolean): ScoreLine {
  const { scheme } = line;
  if (scheme.kind === "carry") return { ...line, scheme: shorterCarry(scheme) };
  if (scheme.kind === "holds") return { ...line, scheme: fewerHolds(scheme) };
  if (scheme.kind !== "straight" && scheme.kind !== "ramp" && scheme.kind !== "slow") return line;
  const least = scheme.kind === "slow" ? LEAST_SLOW_REPS : LEAST_REPS;
  const reserve = Math.min(MOST_RESERVE, scheme.reserve + 1);
  if (round % 2 === 1 || reserve === scheme.reserve)
    return {
      ...line,
      scheme: { ...scheme, reps: Math.min(scheme.reps, Math.max(least, scheme.reps - 2)) },
    };
  const longer = Math.min(MOST_REST_S, scheme.restS + LONGER_REST_S);
  const restS = mayRestLonger ? Math.max(scheme.restS, longer) : scheme.restS;
  return { ...line, scheme: { ...scheme, reserve, restS } };
}

const LEAST_CARRY_M = 10;

function shorterCarry(s: Extract<Scheme, { kind: "carry" }>): Scheme {
  if (s.distanceM > LEAST_CARRY_M) return { ...s, distanceM: Math.max(LEAST_CARRY_M, s.distanceM - 5) };
  return s.sets > 1 ? { ...s, sets: s.sets - 1 } : { ...s, carriedKg: Math.max(0, s.carriedKg - 1) };
}

const LEAST_HOLDS = 3;
const LEAST_FELT = 2;

/** Fewer holds first, then less felt. */
function fewerHolds(s: Extract<Scheme, { kind: "holds" }>): Scheme {
  if (s.reps > LEAST_HOLDS) return { ...s, reps: s.reps - 1 };
  return s.effort.kind === "felt" && s.effort.felt > LEAST_FELT
    ? { ...s, effort: { kind: "felt", felt: s.effort.felt - 1 } }
    : s;
}
