import type { JudgedLine } from "../judge/judgeScore";
import type { ScoreLine } from "../line/scoreInput";
import { workKindOf } from "../line/workKind";
import type { ScoreItem } from "../order/sessionScore";
import type { FatigueLine } from "./sessionFatigue";

/** Judged lines as the totals and the order see them; lines without an exercise fall away. */
export function itemsOf<L extends ScoreLine>(
  judged: readonly JudgedLine<L>[],
  idOf: (line: L, index: number) => string,
): ScoreItem[] {
  return judged.flatMap((j, i): ScoreItem[] =>
    j.exercise
      ? [
          {
            id: idOf(j.line, i),
            exercise: j.exercise,
            scheme: j.line.scheme,
            legs: j.line.legs,
            sharesRests: j.line.sharesRests,
            machine: j.machineId,
            share: j.load?.share ?? null,
          },
        ]
      : [],
  );
}

/** Judged lines as the fatigue model sees them; stretches and what nothing is known of fall away. */
export function fatigueLinesOf<L extends ScoreLine>(
  judged: readonly JudgedLine<L>[],
  idOf: (line: L, index: number) => string,
): FatigueLine[] {
  return judged.flatMap((j, i): FatigueLine[] => {
    const kind = j.exercise && workKindOf(j.exercise);
    const share = j.load?.share ?? null;
    if (!kind || share === null || j.line.scheme.kind === "stretch") return [];
    return [{ id: idOf(j.line, i), kind, sets: j.sets, share, shareError: j.load?.shareError ?? 0 }];
  });
}
