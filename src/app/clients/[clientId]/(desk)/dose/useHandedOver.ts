"use client";
import { useEffect, useRef } from "react";
import { rowOf } from "@/core/selection/rank/rangeSheet";
import { shorterHolds } from "@/core/sheet/draft/shorterHolds";
import { readHandedOver } from "../../../_sheet/handedOver";
import { usualLineOf } from "./_line/usualLineOf";
import type { useJudged } from "./useJudged";
import type { useScore } from "./useScore";

/** What Choose hands over in the address is put in once, or sets the line that is there; the address then forgets it. */
export function useHandedOver({
  handed,
  score,
  context,
  start,
  mayWrite,
  onTaken,
  onMade,
}: {
  handed: string | null;
  score: ReturnType<typeof useScore>;
  context: ReturnType<typeof useJudged>["context"];
  start: Parameters<typeof usualLineOf>[3];
  mayWrite: boolean;
  onTaken: () => void;
  /** the line that it became */
  onMade: (key: string) => void;
}) {
  const isTaken = useRef(false);
  useEffect(() => {
    const h = readHandedOver(handed);
    if (!h || isTaken.current || !mayWrite) return;
    isTaken.current = true;
    const e = context.sheet.exercises.find((x) => x.id === h.exerciseId);
    const row =
      e &&
      rowOf(e, context.sheet, { machineId: h.machineId, ...(h.settings ? { settings: h.settings } : {}) });
    const isThere = score.lines.find((l) => l.exerciseId === h.exerciseId);
    onTaken();
    if (isThere) {
      score.change(isThere.key, { machineId: h.machineId, settings: h.settings });
      onMade(isThere.key);
    } else if (e && row)
      onMade(score.insert(shorterHolds(usualLineOf(e, Array.isArray(row) ? null : row, h, start), context)));
  }, [handed, context, mayWrite, score, start, onTaken, onMade]);
}
