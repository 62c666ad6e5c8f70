import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import { keep } from "../sheet/judge/keep";
import type { KeptLine } from "../sheet/line/keptLine";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { scoreContext } from "./scoreContext";

/** A made-up identifier for tests, always the same for a number. */
export const lineIdOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;

/** Lines as a sheet keeps them. */
export function keptLines(lines: readonly ScoreLine[], context: ScoreContext = scoreContext()): KeptLine[] {
  const named = lines.map((l, i) => ({ ...l, lineId: lineIdOf(i + 1) }));
  return judgeScore(named, context).map((j) => keep(j, context, new Map()));
}
