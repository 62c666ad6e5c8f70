"use client";
import { useEffect, useState, useSyncExternalStore } from "react";
import { isWaiting, onWaiting } from "./busy";

/** An answer that comes sooner is not announced, ms. */
const PATIENCE_MS = 500;

/** Says that something is under way when a page or a change takes longer than a moment. */
export function Busy() {
  const isOut = useSyncExternalStore(onWaiting, isWaiting, () => false);
  const [isSaid, setSaid] = useState(false);
  useEffect(() => {
    if (!isOut) return setSaid(false);
    const timer = setTimeout(() => setSaid(true), PATIENCE_MS);
    return () => clearTimeout(timer);
  }, [isOut]);
  return (
    <p role="status" className="pointer-events-none fixed inset-x-0 top-0 z-50 text-center print:hidden">
      {isSaid && (
        <span className="inline-block border border-t-0 border-rule bg-base-100 px-4 py-1 font-bold">
          One moment<span className="working">…</span>
        </span>
      )}
    </p>
  );
}
