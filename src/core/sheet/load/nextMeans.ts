import type { RangeRow } from "../../selection/rank/rangeSheet";
import { type JudgedLine, judgeScore, type ScoreContext } from "../judge/judgeScore";
import { legsAllowed } from "../line/legs";
import type { ScoreLine } from "../line/scoreInput";

/** What resists, from the coarsest to the finest: a stack, a weight at the ankle, a band, hands or a strap. */
const FINENESS: Readonly<Record<string, number>> = { ankle_cuff: 1, standing_extension: 2, held_shin: 3 };
const fineness = (r: RangeRow): number => FINENESS[r.computed?.chosen.family.id ?? ""] ?? 0;

/**
 * The next means down where the lightest step of a line is too heavy: the same kind of work on something that can be set
 * lighter, at hand, barred by nothing. Null where nothing at hand is lighter.
 */
export function nextMeansDown(
  judged: JudgedLine,
  rows: readonly RangeRow[],
  context: ScoreContext,
): { line: ScoreLine; name: string; how: string } | null {
  const { exercise, line } = judged;
  if (!exercise || !judged.load?.tooHeavyBecause) return null;
  const candidates = rows
    .filter((r) => r.e.id !== exercise.id && r.isAtHand && r.e.match.class === exercise.match.class)
    .sort((a, b) => fineness(a) - fineness(b));
  for (const row of candidates) {
    const allowed = legsAllowed(row.e, line.scheme.kind);
    const legs = allowed.includes(line.legs) ? line.legs : allowed[0];
    if (!legs) continue;
    const made = { ...line, exerciseId: row.e.id, legs, sharesRests: false, aboveStart: null };
    const [other] = judgeScore([made], context);
    if (!other || other.bars.length > 0 || !other.load?.setUp) continue;
    return {
      line: { ...made, sharesRests: line.sharesRests },
      name: row.e.name,
      how: other.load.setUp.how,
    };
  }
  return null;
}
