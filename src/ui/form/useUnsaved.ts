"use client";
import { useEffect, useState } from "react";
import type { z } from "zod";

/** What is typed and not saved on a screen. */
interface Unsaved<T> {
  /** where it is kept: the screen and whose it is */
  place: string;
  shape: z.ZodType<T>;
  draft: T;
  isChanged: boolean;
}

/**
 * Keeps on this device what was changed and not saved: a click elsewhere, a reload or an expired sign-in loses nothing, and
 * the browser asks before the page is closed or left for good. `found` is what an earlier page left; it is null once it was
 * taken up or dropped.
 */
export function useUnsaved<T>({ place, shape, draft, isChanged }: Unsaved<T>) {
  const [found, setFound] = useState<T | null>(null);
  const [isRead, setRead] = useState(false);
  useEffect(() => {
    const text = localStorage.getItem(place);
    const parsed = text ? shape.safeParse(safeJson(text)) : null;
    if (parsed?.success) setFound(parsed.data);
    setRead(true);
  }, [place, shape]);
  const text = JSON.stringify(draft);
  useEffect(() => {
    // what was left is not overwritten before somebody said what becomes of it
    if (!isRead || found !== null) return;
    if (isChanged) localStorage.setItem(place, text);
    else localStorage.removeItem(place);
  }, [place, text, isChanged, isRead, found]);
  useEffect(() => {
    if (!isChanged) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [isChanged]);
  return {
    found,
    settled: () => setFound(null),
    drop: () => {
      localStorage.removeItem(place);
      setFound(null);
    },
  };
}

function safeJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
