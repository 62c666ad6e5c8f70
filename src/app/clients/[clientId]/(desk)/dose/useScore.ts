"use client";
import { useState } from "react";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import type { SheetLine } from "@/core/sheet/line/sheetInput";

/** A line with the id that it keeps for ever; the screen's key is the same. */
export type Line = SheetLine & { key: string };

const withKey = (l: SheetLine): Line => ({ ...l, key: l.lineId });
const made = (l: ScoreLine): Line => withKey({ ...l, lineId: crypto.randomUUID() });

/** The first line has nothing above it to share rests with. */
const put1st = (lines: Line[]): Line[] =>
  lines.map((l, i) => (i === 0 && l.sharesRests ? { ...l, sharesRests: false } : l));

/** Other lines in the place of these: an exercise that stays keeps its line, and with it its streak and its ladder. */
function takenOver(before: readonly Line[], after: readonly ScoreLine[]): Line[] {
  const free = [...before];
  return after.map((l) => {
    const at = free.findIndex((b) => b.exerciseId === l.exerciseId);
    const [same] = at < 0 ? [] : free.splice(at, 1);
    return same ? withKey({ ...l, lineId: same.lineId }) : made(l);
  });
}

const MOST_STEPS = 100;

/** The lines of a sheet with undo and redo. */
export function useScore(start: readonly SheetLine[]) {
  const [state, setState] = useState(() => ({
    past: [] as Line[][],
    lines: start.map(withKey),
    future: [] as Line[][],
  }));
  const put = (lines: Line[]) =>
    setState((s) => ({ past: [...s.past, s.lines].slice(-MOST_STEPS), lines: put1st(lines), future: [] }));
  const { lines } = state;
  const place = (key: string, to: number) => {
    const moved = lines.find((l) => l.key === key);
    if (!moved || to < 0 || to >= lines.length) return;
    const rest = lines.filter((l) => l.key !== key);
    put([...rest.slice(0, to), moved, ...rest.slice(to)]);
  };
  return {
    lines,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    replaceAll: (all: readonly ScoreLine[]) => put(takenOver(lines, all)),
    /** the same lines as they were left before */
    restore: (all: readonly SheetLine[]) => put(all.map(withKey)),
    insert: (line: ScoreLine, at = lines.length) => {
      const own = made(line);
      put([...lines.slice(0, at), own, ...lines.slice(at)]);
      return own.key;
    },
    remove: (key: string) => put(lines.filter((l) => l.key !== key)),
    change: (key: string, part: Partial<ScoreLine>) =>
      put(lines.map((l) => (l.key === key ? { ...l, ...part } : l))),
    move: (key: string, by: 1 | -1) => place(key, lines.findIndex((l) => l.key === key) + by),
    place,
    undo: () =>
      setState((s) => {
        const last = s.past.at(-1);
        return last ? { past: s.past.slice(0, -1), lines: last, future: [s.lines, ...s.future] } : s;
      }),
    redo: () =>
      setState((s) => {
        const next = s.future[0];
        return next ? { past: [...s.past, s.lines], lines: next, future: s.future.slice(1) } : s;
      }),
  };
}

/** Lines without their screen's key, as they are saved. */
export const plainLines = (lines: readonly Line[]): SheetLine[] => lines.map(({ key: _, ...l }) => l);
