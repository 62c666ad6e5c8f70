"use client";
import { useState } from "react";
import type { ScoreLine } from "@/core/dose/scoreInput";

/** A line with a name of its own, so that it can be moved. */
export type Line = ScoreLine & { key: string };

const withKeys = (lines: readonly ScoreLine[]): Line[] =>
  lines.map((l, i) => ({ ...l, key: `${l.exerciseId} ${i} ${crypto.randomUUID()}` }));

const MOST_STEPS = 100;

/** The lines of a session with undo and redo. */
export function useScore(start: readonly ScoreLine[]) {
  const [state, setState] = useState(() => ({
    // keys of the first lines are the same on server and client
    past: [] as Line[][],
    lines: start.map((l, i): Line => ({ ...l, key: `${l.exerciseId} ${i}` })),
    future: [] as Line[][],
  }));
  const put = (lines: Line[]) =>
    setState((s) => ({ past: [...s.past, s.lines].slice(-MOST_STEPS), lines, future: [] }));
  const { lines } = state;
  return {
    lines,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    replaceAll: (all: readonly ScoreLine[]) => put(withKeys(all)),
    add: (line: ScoreLine) => {
      const [made] = withKeys([line]) as [Line];
      put([...lines, made]);
      return made.key;
    },
    remove: (key: string) => put(lines.filter((l) => l.key !== key)),
    change: (key: string, part: Partial<ScoreLine>) =>
      put(lines.map((l) => (l.key === key ? { ...l, ...part } : l))),
    move: (key: string, by: 1 | -1) => {
      const at = lines.findIndex((l) => l.key === key);
      const to = at + by;
      const [one, other] = [lines[at], lines[to]];
      if (!one || !other) return;
      const next = [...lines];
      next[at] = other;
      next[to] = one;
      put(next);
    },
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
