import { type JudgedLine, judgeScore, type ScoreContext } from "./judgeScore";

/**
 * A shorter way may be set heavier than all that is open, where what bounds the load lies outside it. That is never done
 * in silence: the line is judged over the whole way too, and the difference is said. Null: it is not heavier.
 */
export function shorterWayWords({ line, load }: JudgedLine, context: ScoreContext): string | null {
  const set = load?.setting;
  if (line.scheme.kind === "holds" || line.window === null || line.loadKg != null) return null;
  if (!set || set.isHelp || set.loads.length === 0) return null;
  const [whole] = judgeScore([{ ...line, window: null, sharesRests: false }], context);
  const wide = whole?.load?.setting;
  if (!wide || wide.load >= set.load - 1e-6) return null;
  return `The shorter way is set heavier, ${set.how} instead of ${wide.how} over all that is open: what bounds it there lies outside this way.`;
}
