import { type JudgedLine, judgeScore, type ScoreContext } from "./judgeScore";
import type { ScoreLine } from "./scoreInput";
import { fatigueLinesOf, itemsOf } from "./scoreItems";
import { simulateSession } from "./sessionFatigue";
import { scoreTotals } from "./sessionScore";

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
  const idOf = (_: ScoreLine, i: number) => String(i);
  let judged = judgeScore(kept, context);
  for (let round = 0; round < EASING_ROUNDS; round++) {
    const { steps } = scoreTotals(itemsOf(judged, idOf));
    const early = new Set(
      simulateSession(steps, fatigueLinesOf(judged, idOf), { k: context.personal.k, spread: 1 })
        .filter((p) => p.endsAt)
        .map((p) => p.lineId),
    );
    if (early.size === 0) return kept;
    kept = kept.map((line, i) => (early.has(String(i)) ? easier(line, round, may.restLonger) : line));
    // a line is judged by itself: those that stay as they were are not judged again
    judged = kept.map((line, i) => {
      const before = judged[i] as JudgedLine;
      return line === before.line ? before : (judgeScore([line], context)[0] as JudgedLine);
    });
  }
  return kept;
}

/** More in reserve and rest first; every other time fewer repetitions. */
function easier(line: ScoreLine, round: number, mayRestLonger: boolean): ScoreLine {
  const { scheme } = line;
  if (scheme.kind !== "straight" && scheme.kind !== "ramp") return line;
  const reserve = Math.min(MOST_RESERVE, scheme.reserve + 1);
  if (round % 2 === 1 || reserve === scheme.reserve)
    return { ...line, scheme: { ...scheme, reps: Math.min(scheme.reps, Math.max(LEAST_REPS, scheme.reps - 2)) } };
  const longer = Math.min(MOST_REST_S, scheme.restS + LONGER_REST_S);
  const restS = mayRestLonger ? Math.max(scheme.restS, longer) : scheme.restS;
  return { ...line, scheme: { ...scheme, reserve, restS } };
}
