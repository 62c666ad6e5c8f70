"use client";
import { useRef, useState } from "react";
import { fetchFile } from "./fetchFile";

/** A key that fetches a file: while it comes it says how far it is, and can be stopped. */
export function FileButton({ path, body, children }: { path: string; body?: unknown; children: string }) {
  const [state, setState] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const isComing = stop.current !== null && state !== null;
  const go = async () => {
    if (stop.current) {
      stop.current.abort();
      return;
    }
    stop.current = new AbortController();
    setState("making it …");
    const problem = await fetchFile(path, {
      body,
      signal: stop.current.signal,
      onProgress: (done, ofAtLeast, bytes) =>
        setState(
          ofAtLeast > 0
            ? `${Math.min(99, Math.round((100 * done) / ofAtLeast))} %, ${(bytes / 1e6).toFixed(1)} MB`
            : `${(bytes / 1e6).toFixed(1)} MB`,
        ),
    });
    stop.current = null;
    setState(problem ?? "kept in your downloads");
  };
  return (
    <span className="inline-flex items-baseline gap-2">
      <button type="button" className="btn btn-sm btn-line" onClick={() => void go()}>
        {isComing ? `Stop: ${children}` : children}
      </button>
      <span
        role="status"
        className={`small ${state && !isComing && !state.startsWith("kept") ? "text-accent" : "quiet"}`}
      >
        {state}
      </span>
    </span>
  );
}
