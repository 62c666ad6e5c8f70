"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { type AngleTrace, endRangeDeg } from "@/core/signal/endRange";

/** Listens to the angle sensor's door and gives the end of the range, or the sentence of what went wrong. */
export function useAngleSensor() {
  const source = useRef<EventSource | null>(null);
  const [now, setNow] = useState<number | null>(null);
  const [isReading, setReading] = useState(false);

  const stop = useCallback(() => {
    source.current?.close();
    source.current = null;
    setReading(false);
    setNow(null);
  }, []);

  const read = useCallback(
    (query: Record<string, string>, onEnd: (deg: number | null, sentence: string | null) => void) => {
      stop();
      const trace: AngleTrace = { timeS: [], angleDeg: [] };
      setReading(true);
      const events = new EventSource(`/api/devices/angle-sensor/stream?${new URLSearchParams(query)}`);
      source.current = events;
      events.addEventListener("samples", (event) => {
        const batch = JSON.parse(event.data) as AngleTrace;
        trace.timeS.push(...batch.timeS);
        trace.angleDeg.push(...batch.angleDeg);
        setNow(trace.angleDeg[trace.angleDeg.length - 1] ?? null);
      });
      events.addEventListener("end", () => {
        stop();
        try {
          onEnd(endRangeDeg(trace), null);
        } catch (error) {
          onEnd(null, error instanceof Error ? error.message : "The sensor's reading cannot be used.");
        }
      });
      events.onerror = () => {
        stop();
        onEnd(
          null,
          "The angle sensor went away. Nothing was kept; read again or type the goniometer's number.",
        );
      };
    },
    [stop],
  );

  useEffect(() => stop, [stop]);
  return { now, isReading, read };
}
