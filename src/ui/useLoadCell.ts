"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { TraceView } from "./charts/TraceChart";

/**
 * Listens to the load cell's door (server-sent events). Samples land in `trace`, a ref, so that drawing does not
 * render; `isStreaming` and `lost` are state.
 */
export function useLoadCell() {
  const trace = useRef<TraceView>({ timeS: [], forceN: [] });
  const source = useRef<EventSource | null>(null);
  const [isStreaming, setStreaming] = useState(false);
  const [lost, setLost] = useState(false);

  const stop = useCallback(() => {
    source.current?.close();
    source.current = null;
    setStreaming(false);
  }, []);

  const start = useCallback(
    (query: Record<string, string | number>, onEnd: (trace: TraceView) => void) => {
      stop();
      trace.current = { timeS: [], forceN: [] };
      setLost(false);
      setStreaming(true);
      const text = new URLSearchParams(Object.entries(query).map(([k, v]) => [k, String(v)])).toString();
      const events = new EventSource(`/api/devices/load-cell/stream?${text}`);
      source.current = events;
      events.addEventListener("samples", (event) => {
        const batch = JSON.parse(event.data) as TraceView;
        trace.current.timeS.push(...batch.timeS);
        trace.current.forceN.push(...batch.forceN);
      });
      events.addEventListener("end", () => {
        stop();
        onEnd(trace.current);
      });
      events.onerror = () => {
        stop();
        setLost(true);
      };
    },
    [stop],
  );

  useEffect(() => stop, [stop]);
  return { trace, isStreaming, lost, start, stop };
}
