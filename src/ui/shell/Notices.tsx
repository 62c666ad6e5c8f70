"use client";
import { useEffect, useState, useSyncExternalStore } from "react";
import { isWaiting, onWaiting } from "./busy";
import { onSaid, saidNow } from "./said";

/** An answer that comes sooner is not announced, ms. */
const PATIENCE_MS = 500;

/** Over every page: what is under way when it takes longer than a moment, and what was kept where no line of its own says so. */
export function Notices() {
  const isOut = useSyncExternalStore(onWaiting, isWaiting, () => false);
  const said = useSyncExternalStore(onSaid, saidNow, () => null);
  const [isLong, setLong] = useState(false);
  useEffect(() => {
    if (!isOut) return setLong(false);
    const timer = setTimeout(() => setLong(true), PATIENCE_MS);
    return () => clearTimeout(timer);
  }, [isOut]);
  return (
    <p role="status" className="pointer-events-none fixed inset-x-0 top-0 z-50 text-center print:hidden">
      {(isLong || said) && (
        <span className="inline-block border border-t-0 border-rule bg-base-100 px-4 py-1 font-bold">
          {isLong ? (
            <>
              One moment<span className="working">…</span>
            </>
          ) : (
            <span key={said?.id}>{said?.words}</span>
          )}
        </span>
      )}
    </p>
  );
}
