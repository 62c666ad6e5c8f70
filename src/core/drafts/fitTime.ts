import type { Exercise } from "../rules/exercises";
import { insideBounds } from "../sheet/draft/easeLines";
import { itemsOf } from "../sheet/effect/scoreItems";
import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { type ScoreItem, scoreTotals } from "../sheet/order/sessionScore";
import { isPlainSets } from "../sheet/schemes/scheme";
import type { DraftLine } from "./draftLine";

/** A draft line with what it became. */
export interface Made {
  draft: DraftLine;
  line: ScoreLine;
}

export const LEAST_LINES = 3;

/** What is given up first: what is there when there is time, support and calves, what was asked for later, then warm-ups, at last the one that heavy work asked for; never the task, the range or the last main line. */
const GIVEN_UP: readonly ((d: DraftLine) => boolean)[] = [
  (d) => d.isExtra === true,
  (d) => d.role === "support" && !d.isAsked,
  (d) => d.role === "calf" && !d.isAsked,
  (d) => d.role === "support" || d.role === "calf",
  (d) => d.role === "warm_up" && !d.isAsked,
  (d) => d.role === "main" && !d.isAsked,
  (d) => d.role === "main",
  (d) => d.role === "warm_up",
];

/** One line fewer, the least needed; the same where none may go. */
function withoutLeast(lines: readonly Made[]): Made[] {
  const mains = lines.filter((l) => l.draft.role === "main").length;
  for (const may of GIVEN_UP) {
    const at = lines.findLastIndex((l) => may(l.draft) && (l.draft.role !== "main" || mains > 1));
    if (at >= 0) return lines.filter((_, i) => i !== at);
  }
  return [...lines];
}

/** So many lines at most, warm-ups not counted. */
export function atMost(made: readonly Made[], most: number): Made[] {
  let kept = [...made];
  while (kept.filter((m) => m.draft.role !== "warm_up").length > most) {
    const fewer = withoutLeast(kept);
    if (fewer.length === kept.length) break;
    kept = fewer;
  }
  return kept;
}

/** What may stand in the rests of a line before it: work of other muscles. */
const standsInRests = (e: Exercise): boolean =>
  e.match.class === "hip_open" || e.match.class === "calf" || e.match.class === "open_knee_flexion";

/** Work of other muscles into the rests before it first; then fewer sets, from the end; then fewer lines, and at last one set of each. */
export function fitTime(
  made: readonly Made[],
  seconds: number,
  context: ScoreContext,
  leastLines = LEAST_LINES,
): Made[] {
  // neither rests nor sets change the machine, so every line is judged once
  const judged = judgeScore(
    made.map((m) => m.line),
    context,
  );
  const items = new Map(itemsOf(judged, (l) => l.exerciseId).map((i) => [i.id, i]));
  const exercises = new Map(judged.map((j) => [j.line.exerciseId, j.exercise]));
  let kept = [...made];
  const isOver = (by = 1) =>
    scoreTotals(
      kept.flatMap(({ line }) => {
        const item = items.get(line.exerciseId);
        return item
          ? [{ ...item, scheme: line.scheme, sharesRests: line.sharesRests } satisfies ScoreItem]
          : [];
      }),
    ).seconds >
    by * seconds;
  const change = (at: number, line: Partial<ScoreLine>) => {
    kept = kept.map((m, i) => (i === at ? { ...m, line: { ...m.line, ...line } } : m));
  };
  // fewer holds at the same felt effort are harder ones
  const fewerHolds = (at: number, reps: number) => {
    const { line } = kept[at] as Made;
    if (line.scheme.kind === "holds" && line.scheme.reps > reps)
      change(at, insideBounds({ ...line, scheme: { ...line.scheme, reps } }, line, context));
  };
  for (let i = kept.length - 1; i > 1 && isOver(); i--) {
    const e = exercises.get(kept[i]?.line.exerciseId ?? "");
    if (e && standsInRests(e)) change(i, { sharesRests: true });
  }
  for (let i = kept.length - 1; i >= 0 && isOver(); i--) {
    const { scheme } = (kept[i] as Made).line;
    if (isPlainSets(scheme) && scheme.kind !== "light" && scheme.sets > 2)
      change(i, { scheme: { ...scheme, sets: 2 } });
    fewerHolds(i, 5);
  }
  for (let i = kept.length - 1; i >= 0 && isOver(); i--) fewerHolds(i, 3);
  const giveUp = (least: number, by: number) => {
    while (kept.length > least && isOver(by)) {
      const fewer = withoutLeast(kept);
      if (fewer.length === kept.length) break;
      kept = fewer;
    }
  };
  giveUp(LEAST_LINES, 1);
  if (leastLines >= LEAST_LINES) return alone(kept);
  // a short session may take a little longer before a second set or its third line goes
  for (let i = kept.length - 1; i >= 0 && isOver(A_LITTLE_LONGER); i--) {
    const { scheme } = (kept[i] as Made).line;
    if (isPlainSets(scheme) && scheme.sets > 1) change(i, { scheme: { ...scheme, sets: 1 } });
  }
  giveUp(leastLines, A_LITTLE_LONGER);
  return alone(kept);
}

/** Within a quarter of the time there is a session still fits. Rule D5. */
const A_LITTLE_LONGER = 1.25;

/** The first line shares nobody's rests. */
function alone(kept: readonly Made[]): Made[] {
  return kept.map((m, i) => (i === 0 ? { ...m, line: { ...m.line, sharesRests: false } } : m));
}
