import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";

/**
 * A line whose load was set and is above what today leaves, at the hardest real load that is left: what is learnt may have
 * lowered what a leg can do since it was set. The same line where nothing of it is above. Rule L12.
 */
export function underToday<L extends ScoreLine>(line: L, context: ScoreContext): L {
  if (line.loadKg == null) return line;
  const load = judgeScore([{ ...line, sharesRests: false }], context)[0]?.load;
  if (!load?.tooHeavyBecause || !load.open || !load.setting) return line;
  const { least, most } = load.open;
  const left = load.setting.loads.filter((l) => l.load >= least - 1e-6 && l.load <= most + 1e-6);
  const hardest = load.setting.isHelp ? left[0] : left.at(-1);
  return hardest ? { ...line, loadKg: hardest.load } : line;
}
