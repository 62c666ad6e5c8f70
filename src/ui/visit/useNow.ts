"use client";
import { useEffect, useState } from "react";

/** The time in ms, ten times a second while it matters. */
export function useNow(isRunning: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    setNow(Date.now());
    if (!isRunning) return;
    const timer = setInterval(() => setNow(Date.now()), 100);
    return () => clearInterval(timer);
  }, [isRunning]);
  return now;
}
