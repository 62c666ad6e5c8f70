import type { KeptLine } from "../../sheet/line/keptLine";
import { currentTask, startOf, type VisitState, visitState } from "../run";
import type { VisitEvent } from "../visitEvent";

/** What a client ticked on paper for one day. */
export interface Ticks {
  lineIds: readonly string[];
  /** the worst joint pain in it, and when it was over */
  pain: number;
  painAtEnd: number;
}

const MOST_EVENTS = 1500;

/**
 * The log of a visit that was done as planned where it is ticked, and left out where it is not; every set with the pain
 * that was written down for the day. Times follow the plan's own from `startMs` on. `id` gives the records' identifiers.
 */
export function logOfTicks(
  lines: readonly KeptLine[],
  ticks: Ticks,
  startMs: number,
  id: () => string,
): VisitEvent[] {
  const events: VisitEvent[] = [];
  let at = startMs;
  let s = startOf(lines);
  const happen = (event: VisitEvent): void => {
    events.push(event);
    s = visitState(lines, events);
  };
  happen({ type: "note", lineId: null, words: "entered from paper", at });
  while (s.phase !== "finished" && events.length < MOST_EVENTS) {
    const next = nextEvent(s, ticks, at, id);
    if (next.type === "end") {
      at += (s.under?.task.workS ?? 0) * 1000;
      next.at = Math.round(at);
    }
    happen(next);
  }
  return events;
}

function nextEvent(s: VisitState, ticks: Ticks, atMs: number, id: () => string): VisitEvent {
  const at = Math.round(atMs);
  const task = currentTask(s);
  if (s.phase === "working")
    return { type: "end", at, early: null, reps: null, meanForceN: null, range: null, countedBy: "tap" };
  if (s.phase === "rating")
    return { type: "rate", pain: ticks.pain, reps: null, reserve: null, felt: null, recordId: id(), at };
  if (!task || s.phase === "closing") return { type: "finish", painAtEnd: ticks.painAtEnd, at };
  const { lineId, set, leg, bout } = task;
  if (!ticks.lineIds.includes(lineId)) return { type: "skip", lineId, what: "line", at };
  if (s.phase === "set-up") return { type: "set-up", lineId, pins: true, at };
  if (s.phase === "pain-before")
    return { type: "pain-before", score: Math.min(ticks.pain, ticks.painAtEnd), at };
  return { type: "start", task: { lineId, set, leg, bout }, at };
}
