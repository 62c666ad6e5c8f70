"use client";
import { useEffect, useState } from "react";
import { z } from "zod";
import { type SheetLine, sheetLine } from "@/core/sheet/line/sheetInput";

const kept = z.object({
  baseVersion: z.number(),
  items: sheetLine.array(),
  name: z.string(),
  place: z.enum(["gym", "home", "bodyweight"]),
});
export type KeptDraft = z.infer<typeof kept>;

/**
 * What was changed and not saved, kept on this device: a click elsewhere, a reload or an expired sign-in loses nothing.
 * `found` is what an earlier page left; it is null once it was taken up or dropped.
 */
export function useKeptDraft(
  place: string,
  now: { baseVersion: number; items: readonly SheetLine[]; name: string; place: string; isChanged: boolean },
) {
  const [found, setFound] = useState<KeptDraft | null>(null);
  const [isRead, setRead] = useState(false);
  useEffect(() => {
    const text = localStorage.getItem(place);
    const parsed = text ? kept.safeParse(safeJson(text)) : null;
    if (parsed?.success) setFound(parsed.data);
    setRead(true);
  }, [place]);
  const text = JSON.stringify({
    baseVersion: now.baseVersion,
    items: now.items,
    name: now.name,
    place: now.place,
  });
  const { isChanged } = now;
  useEffect(() => {
    // what was left is not overwritten before somebody said what becomes of it
    if (!isRead || found) return;
    if (isChanged) localStorage.setItem(place, text);
    else localStorage.removeItem(place);
  }, [place, text, isChanged, isRead, found]);
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
