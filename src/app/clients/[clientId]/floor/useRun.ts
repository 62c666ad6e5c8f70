"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  eventsFromRecords,
  type RunEvent,
  type RunPlan,
  type RunState,
  resumed,
  runState,
  undoLast,
} from "@/core/session/floorRun";
import type { HoldRecord } from "@/core/session/holdRecord";
import { keepRun, keptRun, useOutbox } from "@/ui/outbox";

/**
 * A run as a fold over its events: kept in the browser on every event, posted hold by hold through the outbox. Taking
 * something back that was posted posts a record that voids it.
 */
export function useRun(plan: RunPlan, open: { id: string; records: HoldRecord[] } | null) {
  const [sessionId, setSessionId] = useState<string | null>(open?.id ?? null);
  const [events, setEvents] = useState<RunEvent[]>(() => (open ? eventsFromRecords(open.records) : []));
  const [notice, setNotice] = useState<string | null>(null);
  const latest = useRef(events);
  const outbox = useOutbox();
  const state: RunState = runState(plan, events);

  useEffect(() => {
    if (!sessionId) return;
    keptRun<RunEvent[]>(sessionId).then((kept) => {
      if (!kept || kept.length <= latest.current.length) return;
      const back = resumed(plan, kept, Date.now());
      if (back.lostHold)
        setNotice(
          "A hold was under way when this page went away. It was not counted: do it again when ready.",
        );
      latest.current = back.events;
      setEvents(back.events);
    });
  }, [sessionId, plan]);

  const keep = useCallback((id: string, next: RunEvent[]) => {
    latest.current = next;
    setEvents(next);
    keepRun(id, next);
  }, []);

  const begin = useCallback((id: string) => setSessionId(id), []);

  const happen = useCallback(
    (event: RunEvent) => {
      if (!sessionId) return;
      const before = runState(plan, latest.current);
      const next = [...latest.current, event];
      const after = runState(plan, next);
      if (after === before) return;
      keep(sessionId, next);
      if (event.type === "pain-after") {
        const record = recordOf(after, event.recordId);
        if (record) outbox.post(`/api/sessions/${sessionId}/holds`, record);
      }
      if (event.type === "finish")
        outbox.post(`/api/sessions/${sessionId}/end`, {
          endedAt: new Date(event.at).toISOString(),
          painAtStart: after.holds[0]?.painBefore ?? after.painBefore,
          painAtEnd: event.painAtEnd,
          feltEffort: event.feltEffort,
          stopped: after.stopped,
        });
    },
    [keep, outbox.post, plan, sessionId],
  );

  const undo = useCallback(() => {
    if (!sessionId) return;
    const rated = runState(plan, latest.current);
    const { events: kept, takeBack } = undoLast(latest.current);
    const record = takeBack ? recordOf(rated, takeBack) : null;
    keep(sessionId, kept);
    if (record)
      outbox.post(`/api/sessions/${sessionId}/holds`, {
        ...record,
        id: crypto.randomUUID(),
        corrects: record.id,
        voided: true,
      });
  }, [keep, outbox.post, plan, sessionId]);

  return { sessionId, begin, state, happen, undo, canUndo: events.length > 0, notice, outbox };
}

function recordOf(state: RunState, recordId: string): HoldRecord | null {
  const hold = state.holds.find((h) => h.recordId === recordId);
  if (!hold || hold.painAfter === null) return null;
  return {
    id: recordId,
    seq: hold.seq,
    corrects: null,
    voided: false,
    startedAt: new Date(hold.startedAtMs).toISOString(),
    heldS: Math.round(hold.heldS * 10) / 10,
    painBefore: hold.painBefore,
    painAfter: hold.painAfter,
    early: hold.early,
    meanForceN: hold.meanForceN,
  };
}
