"use client";
import { useEffect, useRef, useState } from "react";
import type { FatigueLine, SetPrediction } from "@/core/sheet/effect/sessionFatigue";
import type { RunStep } from "@/core/sheet/time/runThrough";
import { openSessionFatigue } from "@/workers/open";

/** Lets a burst of keys pass before the simulation starts anew, ms. */
const WAIT_MS = 60;

/** Predicted effort of every set, simulated in a worker; null until the first answer. */
export function useFatigue(
  steps: readonly RunStep[],
  lines: readonly FatigueLine[],
  person: { k: number; spread: number },
): readonly SetPrediction[] | null {
  const door = useRef<ReturnType<typeof openSessionFatigue>["door"] | null>(null);
  const [found, setFound] = useState<readonly SetPrediction[] | null>(null);
  useEffect(() => {
    const worker = openSessionFatigue();
    door.current = worker.door;
    return () => {
      door.current = null;
      worker.end();
    };
  }, []);
  // lines and steps are made anew on each render; their text says whether they changed
  const asked = JSON.stringify({ steps, lines, person });
  useEffect(() => {
    let isStale = false;
    const timer = setTimeout(async () => {
      const q = JSON.parse(asked) as {
        steps: RunStep[];
        lines: FatigueLine[];
        person: { k: number; spread: number };
      };
      const answer = await door.current?.simulate(q.steps, q.lines, q.person);
      if (!isStale && answer) setFound(answer);
    }, WAIT_MS);
    return () => {
      isStale = true;
      clearTimeout(timer);
    };
  }, [asked]);
  return found;
}
