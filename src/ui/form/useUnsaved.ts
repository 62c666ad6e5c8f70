"use client";
import { useEffect, useMemo, useState } from "react";
import type { z } from "zod";
import { dropDraft, keepDraft, readDraft } from "./draftStore";

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
    const parsed = shape.safeParse(readDraft(place));
    if (parsed.success) setFound(parsed.data);
    setRead(true);
  }, [place, shape]);
  const text = useMemo(() => JSON.stringify(draft), [draft]);
  useEffect(() => {
    // what was left is not overwritten before somebody said what becomes of it
    if (!isRead || found !== null) return;
    if (isChanged) keepDraft(place, text);
    else dropDraft(place);
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
      dropDraft(place);
      setFound(null);
    },
  };
}
