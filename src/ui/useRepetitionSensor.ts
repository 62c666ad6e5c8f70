"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { type CountedRepetitions, countRepetitions } from "@/core/signal/countRepetitions";

const NOTHING: CountedRepetitions = { reps: 0, range: null, lostRange: false };

/** Listens to the angle sensor through a set: how many repetitions so far, how far they reached. */
export function useRepetitionSensor() {
  const source = useRef<EventSource | null>(null);
  const [found, setFound] = useState<CountedRepetitions>(NOTHING);
  const [isReading, setReading] = useState(false);

  const stop = useCallback(() => {
    source.current?.close();
    source.current = null;
    setReading(false);
  }, []);

  const start = useCallback(
    (query: Record<string, string | number>) => {
      stop();
      setFound(NOTHING);
      setReading(true);
      const angles: number[] = [];
      const planned = { fromDeg: Number(query.from), toDeg: Number(query.to) };
      const text = new URLSearchParams(Object.entries(query).map(([k, v]) => [k, String(v)])).toString();
      const events = new EventSource(`/api/devices/angle-sensor/stream?${text}`);
      source.current = events;
      events.addEventListener("samples", (event) => {
        angles.push(...(JSON.parse(event.data) as { angleDeg: number[] }).angleDeg);
        setFound(countRepetitions(angles, planned));
      });
      events.addEventListener("end", () => events.close());
      events.onerror = () => stop();
    },
    [stop],
  );

  useEffect(() => stop, [stop]);
  return { found, isReading, start, stop };
}
