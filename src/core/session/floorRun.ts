import { type EarlyReason, type HoldRecord, standing } from "./holdRecord";

/** What is run, as the floor needs it. */
export interface RunPlan {
  holdS: number;
  reps: number;
  sets: number;
  restS: number;
  setRestS: number;
  /** joint pain above this ends the exercise */
  painMax: number;
}

/** What happened, in order. Times are milliseconds of one clock; the run is always a fold over these events. */
export type RunEvent =
  | { type: "pain-before"; score: number; at: number }
  | { type: "hold-start"; at: number }
  | { type: "hold-end"; at: number; early: EarlyReason | null; meanForceN: number | null }
  | { type: "pain-after"; score: number; at: number; recordId: string }
  | { type: "finish"; painAtEnd: number; feltEffort: number | null; at: number }
  | { type: "stop"; reason: string; at: number };

export type RunPhase = "pain-before" | "ready" | "holding" | "pain-after" | "closing" | "finished";

export interface RunHold {
  seq: number;
  recordId: string | null;
  painBefore: number;
  startedAtMs: number;
  heldS: number;
  early: EarlyReason | null;
  meanForceN: number | null;
  painAfter: number | null;
}

export interface RunState {
  phase: RunPhase;
  /** hold that is under way or comes next, 1-based */
  seq: number;
  holds: RunHold[];
  painBefore: number | null;
  holdStartedAtMs: number | null;
  /** earliest start of the next hold; null before the first */
  restEndsAtMs: number | null;
  /** why the holds ended before the plan did */
  stopped: string | null;
  finished: { painAtEnd: number; feltEffort: number | null } | null;
}

const START: RunState = {
  phase: "pain-before",
  seq: 1,
  holds: [],
  painBefore: null,
  holdStartedAtMs: null,
  restEndsAtMs: null,
  stopped: null,
  finished: null,
};

/** The state of a run; events that do not fit the phase change nothing, so a double tap does no harm. */
export function runState(plan: RunPlan, events: readonly RunEvent[]): RunState {
  return events.reduce((state, event) => step(plan, state, event), START);
}

function step(plan: RunPlan, s: RunState, e: RunEvent): RunState {
  // a hold under way is ended and rated first, so that it is never lost
  if (e.type === "stop" && (s.phase === "pain-before" || s.phase === "ready"))
    return { ...s, phase: "closing", stopped: e.reason };
  switch (s.phase) {
    case "pain-before":
      if (e.type !== "pain-before") return s;
      if (e.score > plan.painMax)
        return {
          ...s,
          painBefore: e.score,
          phase: "closing",
          stopped: overLimit(e.score, plan.painMax, "before the hold"),
        };
      return { ...s, painBefore: e.score, phase: "ready" };
    case "ready":
      if (e.type === "pain-before") return step(plan, { ...s, phase: "pain-before" }, e);
      return e.type === "hold-start" ? { ...s, phase: "holding", holdStartedAtMs: e.at } : s;
    case "holding":
      return e.type === "hold-end" ? endHold(plan, s, e) : s;
    case "pain-after":
      return e.type === "pain-after" ? rateHold(plan, s, e) : s;
    case "closing":
      return e.type === "finish"
        ? { ...s, phase: "finished", finished: { painAtEnd: e.painAtEnd, feltEffort: e.feltEffort } }
        : s;
    case "finished":
      return s;
  }
}

function endHold(plan: RunPlan, s: RunState, e: Extract<RunEvent, { type: "hold-end" }>): RunState {
  const started = s.holdStartedAtMs ?? e.at;
  const heldS = Math.min(plan.holdS, Math.max(0, (e.at - started) / 1000));
  const hold: RunHold = {
    seq: s.seq,
    recordId: null,
    painBefore: s.painBefore ?? 0,
    startedAtMs: started,
    heldS,
    early: heldS < plan.holdS - 0.5 ? (e.early ?? "other") : null,
    meanForceN: e.meanForceN,
    painAfter: null,
  };
  const lastOfSet = s.seq % plan.reps === 0;
  const restMs = (lastOfSet && plan.sets > 1 ? plan.setRestS : plan.restS) * 1000;
  return {
    ...s,
    phase: "pain-after",
    holds: [...s.holds, hold],
    holdStartedAtMs: null,
    restEndsAtMs: Math.min(e.at, started + plan.holdS * 1000) + restMs,
  };
}

function rateHold(plan: RunPlan, s: RunState, e: Extract<RunEvent, { type: "pain-after" }>): RunState {
  const last = s.holds[s.holds.length - 1] as RunHold;
  const holds = [...s.holds.slice(0, -1), { ...last, painAfter: e.score, recordId: e.recordId }];
  const next = { ...s, holds, painBefore: null };
  if (e.score > plan.painMax)
    return { ...next, phase: "closing", stopped: overLimit(e.score, plan.painMax, "in the hold") };
  if (e.score - last.painBefore >= 3)
    return { ...next, phase: "closing", stopped: `joint pain jumped from ${last.painBefore} to ${e.score}` };
  if (s.seq >= plan.reps * plan.sets) return { ...next, phase: "closing" };
  return { ...next, phase: "pain-before", seq: s.seq + 1 };
}

const overLimit = (score: number, max: number, when: string): string =>
  `joint pain of ${score} ${when} is above the limit of ${max}`;

/**
 * Events without the last thing that was entered, and the record that must be taken back, if it had been logged.
 * The end of a hold goes together with its start: a hold cannot be started in the past.
 */
export function undoLast(events: readonly RunEvent[]): { events: RunEvent[]; takeBack: string | null } {
  const last = events[events.length - 1];
  if (!last || last.type === "finish") return { events: [...events], takeBack: null };
  const kept = events.slice(0, last.type === "hold-end" ? -2 : -1);
  return { events: kept, takeBack: last.type === "pain-after" ? last.recordId : null };
}

/** Seconds from the first hold to the end of the last one, if nobody dawdles: the plan's own timers. */
export function runSeconds(plan: RunPlan): number {
  const perSet = plan.reps * plan.holdS + (plan.reps - 1) * plan.restS;
  return plan.sets * perSet + (plan.sets - 1) * plan.setRestS;
}

/** The events that records already at the clinic stand for: a run goes on where another tablet left it. */
export function eventsFromRecords(records: readonly HoldRecord[]): RunEvent[] {
  return standing(records).flatMap((r): RunEvent[] => {
    const at = Date.parse(r.startedAt);
    const end = at + r.heldS * 1000;
    return [
      { type: "pain-before", score: r.painBefore, at },
      { type: "hold-start", at },
      { type: "hold-end", at: end, early: r.early, meanForceN: r.meanForceN },
      { type: "pain-after", score: r.painAfter, at: end, recordId: r.id },
    ];
  });
}

/** A hold that should have ended longer ago than this was not watched to its end, s. */
const UNWATCHED_S = 3;

/**
 * Kept events as they may go on after the page was away: a hold under way whose end nobody watched is not counted as
 * held; it is taken back, to be done again.
 */
export function resumed(
  plan: RunPlan,
  events: readonly RunEvent[],
  nowMs: number,
): { events: RunEvent[]; lostHold: boolean } {
  const last = events[events.length - 1];
  const wasUnwatched = last?.type === "hold-start" && nowMs > last.at + (plan.holdS + UNWATCHED_S) * 1000;
  return { events: wasUnwatched ? events.slice(0, -1) : [...events], lostHold: wasUnwatched };
}
