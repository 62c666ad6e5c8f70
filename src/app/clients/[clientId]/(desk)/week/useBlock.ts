"use client";
import { startTransition, useEffect, useMemo, useRef, useState } from "react";
import type { BlockQuestion, PlannedDay } from "@/core/schedule/block/block";
import type { BuiltWeek } from "@/core/schedule/block/buildBlock";
import { checkBlock, loadsByWeek } from "@/core/schedule/block/checkBlock";
import { openPlanWeeks } from "@/workers/open";

/** Lets a burst of keys pass before the weeks are laid anew, ms. */
const WAIT_MS = 40;

/**
 * The days of a block: as they were kept, or laid anew in a worker whenever a wish, a free day or a pin changes. Rules
 * and work of each week are read off the days as they stand, also while one is dragged.
 */
export function useBlock(asked: BlockQuestion, kept: readonly PlannedDay[] | null) {
  const [question, setQuestion] = useState(asked);
  const [pins, setPins] = useState<readonly PlannedDay[]>(() => (kept ?? []).filter((d) => d.pinned));
  const [days, setDays] = useState<readonly PlannedDay[]>(kept ?? []);
  const [dropped, setDropped] = useState<readonly BuiltWeek[]>([]);
  const [isLaid, setLaid] = useState(kept !== null);
  const [tookMs, setTookMs] = useState<number | null>(null);
  const [turn, setTurn] = useState(kept === null ? 1 : 0);
  const door = useRef<ReturnType<typeof openPlanWeeks>["door"] | null>(null);
  useEffect(() => {
    const worker = openPlanWeeks();
    door.current = worker.door;
    return () => {
      door.current = null;
      worker.end();
    };
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a turn says that something was changed by hand
  useEffect(() => {
    if (turn === 0) return;
    let isStale = false;
    const timer = setTimeout(async () => {
      const from = performance.now();
      // a worker that fails leaves the days as they stood; the rules still look at them
      const built = await door.current?.build(question, pins).catch(() => null);
      if (isStale) return;
      const tookMs = performance.now() - from;
      // many cells change at once: in pieces, so that a hand is never kept waiting
      startTransition(() => {
        setLaid(true);
        if (!built) return;
        setDays(built.days);
        setDropped(built.weeks);
        setTookMs(tookMs);
      });
    }, WAIT_MS);
    return () => {
      isStale = true;
      clearTimeout(timer);
    };
  }, [turn]);
  const again = () => {
    setLaid(false);
    setTurn((n) => n + 1);
  };
  const ask = (part: Partial<BlockQuestion>) => {
    setQuestion((q) => ({ ...q, ...part }));
    again();
  };
  /** Puts a day elsewhere by hand; it stays there. */
  const move = (day: PlannedDay, on: string) => {
    setPins((all) => [
      ...all.filter((p) => !(p.sheetId === day.sheetId && (p.on === day.on || p.on === on))),
      { ...day, on, pinned: true },
    ]);
    again();
  };
  /** The same day in the sheet's short form, or whole again; it stays so. */
  const shorten = (day: PlannedDay) => {
    setPins((all) => [
      ...all.filter((p) => !(p.sheetId === day.sheetId && p.on === day.on)),
      { ...day, isShort: !day.isShort, pinned: true },
    ]);
    again();
  };
  /** Takes up what was left: a question and days put by hand. */
  const take = (part: Partial<BlockQuestion>, byHand: readonly PlannedDay[]) => {
    setPins(byHand);
    ask(part);
  };
  const letGo = (day: PlannedDay) => {
    setPins((all) => all.filter((p) => !(p.sheetId === day.sheetId && p.on === day.on)));
    again();
  };
  const broken = useMemo(() => checkBlock(question, days), [question, days]);
  const loads = useMemo(() => loadsByWeek(question, days), [question, days]);
  return {
    question,
    ask,
    take,
    pins,
    days,
    weeks: dropped,
    broken,
    loads,
    move,
    shorten,
    letGo,
    again,
    isLaid,
    tookMs,
  };
}
