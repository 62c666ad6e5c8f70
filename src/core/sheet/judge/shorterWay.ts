import type { ScoreLine } from "../line/scoreInput";
import { type JudgedLine, judgeScore, type ScoreContext } from "./judgeScore";

/**
 * A shorter way may be set heavier than all that is open, where what bounds the load lies outside it. That is never done
 * in silence: the line is judged over the whole way too, and the difference is said.
 */
export function withShorterWay<L extends ScoreLine>(j: JudgedLine<L>, context: ScoreContext): JudgedLine<L> {
  const { line, load } = j;
  const set = load?.setting;
  if (line.scheme.kind === "holds" || line.window === null || line.loadKg != null) return j;
  if (!set || set.isHelp || set.loads.length === 0) return j;
  const [whole] = judgeScore([{ ...line, window: null, sharesRests: false }], context);
  const wide = whole?.load?.setting;
  if (!wide || wide.load >= set.load - 1e-6) return j;
  return {
    ...j,
    cautions: [
      ...j.cautions,
      `The shorter way is set heavier, ${set.how} instead of ${wide.how} over all that is open: what bounds it there lies outside this way.`,
    ],
  };
}
