"use client";
import { useState } from "react";
import type { ScoreLine } from "@/core/dose/scoreInput";

/** A line with a name of its own, so that it can be moved. */
export type Line = ScoreLine & { key: string };

const withKey = (l: ScoreLine): Line => ({ ...l, key: crypto.randomUUID() });

/** The first line has nothing above it to share rests with. */
const put1st = (lines: Line[]): Line[] =>
  lines.map((l, i) => (i === 0 && l.sharesRests ? { ...l, sharesRests: false } : l));

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
    replaceAll: (all: readonly ScoreLine[]) => put(all.map(withKey)),
    insert: (line: ScoreLine, at = lines.length) => {
      const made = withKey(line);
      put([...lines.slice(0, at), made, ...lines.slice(at)]);
      return made.key;
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

/** Lines without their names, as they are saved. */
export const plainLines = (lines: readonly Line[]): ScoreLine[] => lines.map(({ key: _, ...l }) => l);
