import type { KeptLine, KeptSet } from "../../sheet/line/keptLine";
import type { LastSet } from "../../sheet/schemes/lastSet";
import type { Side } from "../../units/fields";
import type { Task } from "../tasks";

/** What a line comes to, to be said to a client; every figure is the sheet's own. */
export interface LineSaid {
  code: "home.line";
  sets: number;
  work: { reps: number } | { holds: number; holdS: number } | { seconds: number };
  legs: "both" | "each" | Side;
  /** what is set; null: nothing is */
  load: LoadSaid | null;
  /** the last set where it is done in another way; null: as the others. Rule X4 */
  last: LastSaid | null;
}

/** How the last set is done, where it is not as the others. Rule X4 */
export interface LastSaid {
  code: "home.last_set";
  how: LastSet;
  reps: number;
  load: LoadSaid | null;
}

/** What to set, with its mass where there is one. */
export interface LoadSaid {
  code: "home.load";
  how: string;
  kg: number | null;
}

/** What counts in one set, under its giant number. */
export interface TaskSaid {
  code: "home.task";
  of: "seconds" | "times";
  n: number;
}

/** How hard it should feel, where the plan says. */
export type FeltSaid = { code: "home.felt"; felt: number } | { code: "home.left_at_end"; reps: number };

export const loadSaid = (how: string, kg: number | null): LoadSaid => ({ code: "home.load", how, kg });

/** Null: a line without a set of work. */
export function lineSaid(l: KeptLine, side: Side): LineSaid | null {
  const work = l.sets.filter((s) => s.role === "work");
  const [first] = work;
  if (!first) return null;
  return {
    code: "home.line",
    sets: work.length,
    work: first.holds
      ? { holds: first.holds.reps, holdS: Math.round(first.holds.holdS) }
      : first.reps === null
        ? { seconds: Math.round(first.workS) }
        : { reps: first.reps },
    legs: l.legs === "together" ? "both" : l.legs === "one" ? side : "each",
    load: first.how ? loadSaid(first.how, first.loadKg) : null,
    last: lastSaid(work.at(-1)),
  };
}

/** Null: it is a set as the others. */
export const lastSaid = (set: KeptSet | undefined): LastSaid | null =>
  set?.last
    ? {
        code: "home.last_set",
        how: set.last,
        reps: set.reps ?? 0,
        load: set.how ? loadSaid(set.how, set.loadKg) : null,
      }
    : null;

/** What is to be done in this one set or hold, large. */
export function taskSaid(t: Task): TaskSaid {
  if (t.holdS !== null) return { code: "home.task", of: "seconds", n: Math.round(t.holdS) };
  if (t.reps !== null) return { code: "home.task", of: "times", n: t.reps };
  return { code: "home.task", of: "seconds", n: Math.round(t.workS) };
}

export function feltSaid(l: KeptLine): FeltSaid | null {
  const [first] = l.sets.filter((s) => s.role === "work");
  if (l.feltAim !== null) return { code: "home.felt", felt: Math.round(l.feltAim) };
  if (first?.reserve != null && first.reps !== null)
    return { code: "home.left_at_end", reps: Math.round(first.reserve) };
  return null;
}
