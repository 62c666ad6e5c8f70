"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { type VisitState, visitState } from "@/core/visit/run";
import { eventsOf, type LogEntry, type VisitEvent } from "@/core/visit/visitEvent";
import { keepRun, keptRun, type Outbox, runKey } from "@/ui/outbox";

export interface OpenVisit {
  id: string;
  lines: KeptLine[];
  log: LogEntry[];
  firstSide: "left" | "right";
}

/** A hold that should have ended longer ago than this was not watched to its end, s. */
const UNWATCHED_S = 3;
/** A set that began so far in the future was begun by another clock. */
const AHEAD_S = 5;
/** A set of repetitions that began longer ago than this was not watched. */
const UNWATCHED_SET_S = 900;

const startsWith = (long: readonly LogEntry[], short: readonly LogEntry[]): boolean =>
  JSON.stringify(long.slice(0, short.length)) === JSON.stringify(short);

/** Whether the last thing was the start of a set whose end nobody can have watched. */
function isUnwatched(s: VisitState, nowMs: number): boolean {
  if (s.phase !== "working" || !s.under) return false;
  const holdS = s.under.task.holdS;
  // begun in the future: this clock was put back, or another tablet's is ahead
  if (nowMs < s.under.startedAtMs - AHEAD_S * 1000) return true;
  return nowMs > s.under.startedAtMs + (holdS === null ? UNWATCHED_SET_S : holdS + UNWATCHED_S) * 1000;
}

/**
 * A visit as the fold over its log: kept in the browser with every entry, posted entry by entry through the outbox. The
 * clinic folds the same log; another tablet goes on from there.
 */
export function useVisit(
  open: OpenVisit,
  /** the page's one outbox */
  outbox: Outbox,
  eventsPath = `/api/visits/${open.id}/events`,
) {
  const { id, lines } = open;
  const [log, setLog] = useState<LogEntry[]>(open.log);
  const [notice, setNotice] = useState<string | null>(null);
  const latest = useRef(log);
  const { post, ownerKey } = outbox;
  const kept = runKey(ownerKey, id);
  const state = useMemo(() => visitState(lines, eventsOf(log)), [lines, log]);

  const append = useCallback(
    (entry: LogEntry) => {
      const next = [...latest.current, entry];
      latest.current = next;
      setLog(next);
      keepRun(kept, next);
      post(eventsPath, { seq: next.length, entry });
    },
    [kept, post, eventsPath],
  );

  useEffect(() => {
    keptRun<LogEntry[]>(kept).then((own) => {
      // what this person has not sent yet stands behind what the clinic has
      if (own && own.length > latest.current.length && startsWith(own, latest.current)) {
        latest.current = own;
        setLog(own);
      }
      if (isUnwatched(visitState(lines, eventsOf(latest.current)), Date.now())) {
        append({ type: "undo", at: Date.now() });
        setNotice(
          "A set was under way when this page went away. It was not counted: do it again when ready.",
        );
      }
    });
  }, [kept, lines, append]);

  // a clock that is put back under a set would let it run for ever
  useEffect(() => {
    if (state.phase !== "working") return;
    const timer = setInterval(() => {
      const now = Date.now();
      const { under, phase } = visitState(lines, eventsOf(latest.current));
      if (phase !== "working" || !under || now >= under.startedAtMs - AHEAD_S * 1000) return;
      append({ type: "undo", at: now });
      setNotice(
        "This device's clock was put back while a set ran. It was not counted: do it again when ready.",
      );
    }, 1000);
    return () => clearInterval(timer);
  }, [state.phase, lines, append]);

  const happen = useCallback(
    (event: VisitEvent) => {
      const before = visitState(lines, eventsOf(latest.current));
      const after = visitState(lines, eventsOf([...latest.current, event]));
      // what does not fit the phase is not logged, so a double tap does no harm
      if (event.type !== "note" && JSON.stringify(before) === JSON.stringify(after)) return;
      append(event);
    },
    [append, lines],
  );

  const undo = useCallback(() => {
    const entry = { type: "undo" as const, at: Date.now() };
    // what takes nothing back is not logged: nothing is left, or it is the second tap of a double one
    if (eventsOf([...latest.current, entry]).length < eventsOf(latest.current).length) append(entry);
  }, [append]);

  /** Forgets what this tablet kept, after the clinic refused to follow it. */
  const startOver = useCallback(async () => {
    await keepRun(kept, null);
    window.location.reload();
  }, [kept]);

  return { state, happen, undo, canUndo: log.length > 0, notice, startOver };
}
