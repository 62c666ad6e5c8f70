"use client";
import { useEffect, useRef, useState } from "react";
import type { VisitState } from "@/core/visit/run";
import type { EarlyReason } from "@/core/visit/setRecord";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { beep } from "@/ui/beep";
import type { TraceView } from "@/ui/charts/TraceChart";
import { useLoadCell } from "@/ui/useLoadCell";
import { useRepetitionSensor } from "@/ui/useRepetitionSensor";
import { useNow } from "./useNow";

const LONGEST_REST_S = 900;

export interface SetClock {
  cell: ReturnType<typeof useLoadCell>;
  sensor: ReturnType<typeof useRepetitionSensor>;
  /** whole seconds of a hold to go, or of a set so far; null between sets */
  seconds: number | null;
  /** repetitions counted by tap or by the sensor; null where nothing was counted */
  counted: number | null;
  restS: number;
  /** the share of the repetition that the tempo is in, 0 to 1; null where no tempo is kept or it is muted */
  pace: number | null;
  /** a hold was stopped early and its reason is still asked for */
  isEarly: boolean;
  start: () => void;
  /** ends a hold early, or a set of repetitions */
  end: () => void;
  tap: () => void;
  sayWhy: (reason: EarlyReason) => void;
}

/**
 * The clock of one set and its rest. The end of a hold belongs to the clock, not to a finger; stopped early, the time is
 * kept and the reason asked. Repetitions end with a tap; they are counted by taps or by the angle sensor, and the tempo
 * beats along. Devices are read while it lasts, if they are wanted.
 */
export function useSetClock(
  s: VisitState,
  happen: (event: VisitEvent) => void,
  o: {
    beats: boolean;
    cellQuery: Record<string, string | number> | null;
    sensorQuery: Record<string, string | number> | null;
  },
): SetClock {
  const { beats } = o;
  const cell = useLoadCell();
  const sensor = useRepetitionSensor();
  const [earlyAt, setEarlyAt] = useState<number | null>(null);
  const [taps, setTaps] = useState(0);
  const now = useNow(s.phase === "working" || s.restEndsAtMs !== null);
  const under = s.phase === "working" ? s.under : null;
  const holdS = under?.task.holdS ?? null;
  const startedMs = under?.startedAtMs ?? null;
  const ranS = startedMs === null ? null : Math.max(0, (now - startedMs) / 1000);
  const seconds =
    ranS === null ? null : holdS === null ? Math.floor(ranS) : Math.max(0, Math.ceil(holdS - ranS));
  // no rest is longer than this, whatever was done to the clock
  const restS =
    s.restEndsAtMs === null ? 0 : Math.min(LONGEST_REST_S, Math.max(0, (s.restEndsAtMs - now) / 1000));
  const counted = sensor.isReading ? sensor.found.reps : taps > 0 ? taps : null;

  const end = (at: number, early: EarlyReason | null) => {
    const measured = sensor.isReading ? sensor.found : null;
    setEarlyAt(null);
    happen({
      type: "end",
      at: Math.round(at),
      early,
      reps: holdS === null ? (measured ? measured.reps : taps > 0 ? taps : null) : null,
      meanForceN: meanForceN(cell.trace.current),
      range: measured?.range ?? null,
      countedBy: measured ? "sensor" : holdS === null ? "tap" : o.cellQuery ? "cell" : "clock",
    });
    cell.stop();
    sensor.stop();
    setTaps(0);
    if (beats) beep(early ? 330 : 660, 0.25);
  };
  const due = startedMs === null || holdS === null ? null : startedMs + holdS * 1000;
  const latestEnd = useRef(end);
  latestEnd.current = end;
  useEffect(() => {
    if (due === null || earlyAt !== null) return;
    const timer = setTimeout(() => latestEnd.current(due, null), Math.max(0, due - Date.now()));
    return () => clearTimeout(timer);
  }, [due, earlyAt]);
  useEffect(() => {
    if (beats && holdS !== null && seconds !== null && seconds > 0 && seconds <= 3) beep(440, 0.06);
  }, [seconds, beats, holdS]);
  // the tempo: one beat a repetition
  const reps = under?.task.reps ?? null;
  const perRepS = under && holdS === null && reps ? under.task.workS / reps : null;
  const beat = perRepS && ranS !== null ? Math.floor(ranS / perRepS) : null;
  useEffect(() => {
    if (beats && beat !== null && beat > 0) beep(520, 0.05);
  }, [beat, beats]);
  // lost range is a stop: the sensor sees it before the eye does
  const isLost = sensor.isReading && sensor.found.lostRange;
  useEffect(() => {
    if (isLost) latestEnd.current(Date.now(), "range");
  }, [isLost]);

  return {
    cell,
    sensor,
    seconds,
    counted,
    restS,
    pace: beats && perRepS && ranS !== null ? (ranS % perRepS) / perRepS : null,
    isEarly: earlyAt !== null,
    start: () => {
      const next = s.tasks.find((t) => t.status === "open");
      if (s.phase !== "ready" || !next) return;
      const { lineId, set, leg, bout } = next;
      happen({ type: "start", task: { lineId, set, leg, bout }, at: Date.now() });
      if (beats) beep(880);
      cell.trace.current = { timeS: [], forceN: [] };
      if (o.cellQuery) cell.start(o.cellQuery, () => {});
      if (o.sensorQuery) sensor.start(o.sensorQuery);
    },
    end: () => {
      if (s.phase !== "working") return;
      if (holdS === null) end(Date.now(), null);
      else if (earlyAt === null) setEarlyAt(Date.now());
    },
    tap: () => {
      if (s.phase === "working" && holdS === null) setTaps((n) => n + 1);
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
