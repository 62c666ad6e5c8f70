import { judgeScore, type ScoreContext } from "../judge/judgeScore";
import type { ScoreLine } from "../line/scoreInput";

/** Seconds that a first hold may come down to; dosing rules B give 10 to 45 s. */
const SHORTER_S = [20, 15, 10];

/**
 * A line of holds as it starts, with the longest holds for which the machine is light enough: at the same felt effort a
 * shorter hold takes more, so that the lightest step is within reach. As it was where none of them helps.
 */
export function shorterHolds(line: ScoreLine, context: ScoreContext): ScoreLine {
  const { scheme } = line;
  const isBarred = (l: ScoreLine) => (judgeScore([l], context)[0]?.bars.length ?? 1) > 0;
  if (scheme.kind !== "holds" || !isBarred(line)) return line;
  return (
    SHORTER_S.filter((s) => s < scheme.holdS)
      .map((holdS) => ({ ...line, scheme: { ...scheme, holdS } }))
      .find((l) => !isBarred(l)) ?? line
  );
}
