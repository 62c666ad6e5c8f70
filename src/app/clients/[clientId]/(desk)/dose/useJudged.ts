"use client";
import { useMemo } from "react";
import { spreadFactor } from "@/core/isometrics/effortConversion";
import { kneecapWeek, type PastLoad } from "@/core/schedule/kneecapWeek";
import { rangeSheet } from "@/core/selection/rank/rangeSheet";
import { kneecapDose } from "@/core/sheet/effect/kneecapDose";
import { fatigueLinesOf, itemsOf } from "@/core/sheet/effect/scoreItems";
import type { SetPrediction } from "@/core/sheet/effect/sessionFatigue";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import { type PlainScoreFacts, scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import { shorterWay } from "@/core/sheet/judge/shorterWay";
import {
  type OrderNote,
  type OrderSchool,
  orderNotes,
  scoreTotals,
  tiesOf,
} from "@/core/sheet/order/sessionScore";
import type { Said } from "@/core/units/said";
import { useFatigue } from "./useFatigue";
import type { Line } from "./useScore";

const keyOf = (line: Line): string => line.key;

/** A session judged as the route will judge it, with all that is computed from it. */
export function useJudged(
  lines: readonly Line[],
  facts: PlainScoreFacts & { school: OrderSchool },
  past: readonly PastLoad[],
) {
  const context = useMemo(() => scoreContextOf(facts), [facts]);
  const sheet = useMemo(() => rangeSheet(context.sheet), [context]);
  // each line is judged over the whole way once: only the one that changes is judged anew
  const shorter = useMemo(() => ({ context, said: new WeakMap<Line, Said | null>() }), [context]);
  const judged = useMemo(
    () =>
      judgeScore(lines, shorter.context).map((j) => {
        const known = shorter.said.get(j.line);
        const words = known === undefined ? shorterWay(j, shorter.context) : known;
        shorter.said.set(j.line, words);
        return words === null ? j : { ...j, cautions: [...j.cautions, words] };
      }),
    [lines, shorter],
  );
  const items = useMemo(() => itemsOf(judged, keyOf), [judged]);
  const totals = useMemo(() => scoreTotals(items), [items]);
  const fatigue = useMemo(() => fatigueLinesOf(judged, keyOf), [judged]);
  const { personal } = context;
  const predictions = useFatigue(totals.steps, fatigue, {
    k: personal.k,
    spread: spreadFactor(personal.holds),
  });
  const kneecap = useMemo(() => kneecapDose(judged, context.sheet.chair), [judged, context]);
  return {
    context,
    sheet,
    rows: sheet.rows,
    judged,
    items,
    totals,
    predictions: predictions ?? [],
    ties: tiesOf(items),
    notes: [...orderNotes(items, facts.school), ...earlyEnds(predictions ?? [], judged)],
    isBarred: judged.some((j) => j.bars.length > 0),
    notModelled: kneecap.notModelled,
    kneecap: kneecapWeek(kneecap.chairSeconds, past),
  };
}

/** Lines with a set that is predicted to end early, once each, with what to do. */
function earlyEnds(
  predictions: readonly SetPrediction[],
  judged: readonly { line: Line; exercise: { name: string } | null; bars: readonly Said[] }[],
): OrderNote[] {
  return judged.flatMap((j) => {
    const p = predictions.find((x) => x.lineId === j.line.key && x.endsAt);
    if (!p?.endsAt || j.bars.length > 0 || !j.exercise) return [];
    const where =
      "repetition" in p.endsAt
        ? `set ${p.set + 1} at repetition ${p.endsAt.repetition}`
        : `hold ${p.endsAt.hold} after ${Math.floor(p.endsAt.second)} s`;
    const said = `${j.exercise.name} is predicted to end early: ${where}. Rest longer, plan fewer, take it lighter, or move it up.`;
    return [{ itemId: j.line.key, said, fix: null }];
  });
}
