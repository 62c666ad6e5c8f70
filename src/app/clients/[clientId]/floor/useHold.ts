"use client";
import { useEffect, useRef, useState } from "react";
import type { RunEvent, RunState } from "@/core/session/floorRun";
import type { EarlyReason } from "@/core/session/holdRecord";
import { beep } from "@/ui/beep";
import type { TraceView } from "@/ui/charts/TraceChart";
import { useLoadCell } from "@/ui/useLoadCell";
import { useNow } from "./useNow";

export interface HoldTimer {
  cell: ReturnType<typeof useLoadCell>;
  /** whole seconds of the hold to go; null between holds */
  toGoS: number | null;
  restS: number;
  /** a hold was stopped early and its reason is still asked for */
  isEarly: boolean;
  start: () => void;
  stopEarly: () => void;
  sayWhy: (reason: EarlyReason) => void;
}

/**
 * The clock of one hold and its rest. The end of a hold belongs to the clock, not to a finger; stopped early, the time
 * is kept and the reason asked. The load cell is read while it lasts, if it is wanted.
 */
export function useHold(
  state: RunState,
  holdS: number,
  happen: (event: RunEvent) => void,
  options: { beats: boolean; cellQuery: Record<string, string | number> | null },
): HoldTimer {
  const { beats, cellQuery } = options;
  const cell = useLoadCell();
  const [earlyAt, setEarlyAt] = useState<number | null>(null);
  const now = useNow(state.phase === "holding" || state.restEndsAtMs !== null);
  const started = state.holdStartedAtMs;
  const toGoS = started === null ? null : Math.max(0, Math.ceil(holdS - (now - started) / 1000));
  const restS = state.restEndsAtMs === null ? 0 : Math.max(0, (state.restEndsAtMs - now) / 1000);

  const end = (at: number, early: EarlyReason | null) => {
    setEarlyAt(null);
    happen({ type: "hold-end", at, early, meanForceN: meanForceN(cell.trace.current) });
    cell.stop();
    if (beats) beep(early ? 330 : 660, 0.25);
  };
  const due = started === null ? null : started + holdS * 1000;
  const latestEnd = useRef(end);
  latestEnd.current = end;
  useEffect(() => {
    if (due === null || earlyAt !== null) return;
    const timer = setTimeout(() => latestEnd.current(due, null), Math.max(0, due - Date.now()));
    return () => clearTimeout(timer);
  }, [due, earlyAt]);
  useEffect(() => {
    if (beats && toGoS !== null && toGoS > 0 && toGoS <= 3) beep(440, 0.06);
  }, [toGoS, beats]);

  return {
    cell,
    toGoS,
    restS,
    isEarly: earlyAt !== null,
    start: () => {
      if (state.phase !== "ready") return;
      happen({ type: "hold-start", at: Date.now() });
      if (beats) beep(880);
      if (cellQuery) cell.start(cellQuery, () => {});
    },
    stopEarly: () => {
      if (state.phase === "holding" && earlyAt === null) setEarlyAt(Date.now());
    },
    sayWhy: (reason) => {
      if (earlyAt !== null) end(earlyAt, reason);
    },
  };
}

/** Mean force once the ramp is over, N; null when no load cell was read. */
function meanForceN(trace: TraceView): number | null {
  const held = trace.forceN.filter((_, i) => (trace.timeS[i] as number) > 2);
  return held.length ? Math.round((held.reduce((a, b) => a + b, 0) / held.length) * 10) / 10 : null;
}
