import { cleanPercent, type FaultId } from "../rules/faults/faults";
import type { KeptLine } from "../sheet/line/keptLine";
import { lineDone } from "../visit/lineDone";
import type { SetRecord } from "../visit/setRecord";

/** What of a line climbs: the rungs of a hold, help that falls, a load, repetitions, or seconds. */
export type CourseOf = "angle" | "help" | "load" | "reps" | "seconds";

/** One visit of a line: how far the plan stood, and how it went. */
export interface CoursePoint {
  on: string;
  /** in the unit of what climbs; null where nothing was set */
  value: number | null;
  /** repetitions of a set, where it has some */
  reps: number | null;
  /** the real setting, in words */
  how: string | null;
  /** worst joint pain in a set; null: none was logged */
  pain: number | null;
  /** joint pain was above the limit: it stopped there */
  stopped: boolean;
  /** what was seen of it, and how much was clean; null: nothing was seen. Rule Seen 2 */
  seen: { faults: readonly FaultId[]; cleanPct: number } | null;
  /** all of it, nearly, less, or not known */
  reached: "below" | "in" | "top" | "unknown";
}

/** What climbs on a line, by its newest plan. */
export function courseOf(kept: KeptLine, ladderOf: string | null): CourseOf {
  if (ladderOf === "angle") return "angle";
  if (kept.isHelp) return "help";
  if (kept.sets.some((s) => s.loadKg !== null)) return "load";
  return kept.sets.some((s) => s.reps !== null) ? "reps" : "seconds";
}

/** One visit of the line in those terms. `on` is the ISO day at the clinic. */
export function coursePoint(
  of: CourseOf,
  on: string,
  kept: KeptLine,
  records: readonly SetRecord[],
): CoursePoint {
  const done = lineDone(kept, records);
  const work = kept.sets.filter((s) => s.role === "work");
  const [first] = work;
  const most = (values: readonly (number | null)[]): number | null => {
    const known = values.flatMap((v) => (v === null ? [] : [v]));
    return known.length > 0 ? Math.max(...known) : null;
  };
  const values: Record<CourseOf, number | null> = {
    angle: kept.fromDeg,
    help: done.usedKg ?? first?.loadKg ?? null,
    load: done.usedKg ?? most(work.map((s) => s.loadKg)),
    reps: most(work.map((s) => s.reps)),
    seconds: first?.holds?.holdS ?? first?.tensionS ?? null,
  };
  return {
    on,
    value: values[of],
    reps: values.reps,
    how: first?.how ?? null,
    pain: done.painDuring,
    stopped: done.painDuring !== null && done.painDuring > kept.painMax,
    seen:
      done.faults.length > 0 ? { faults: done.faults, cleanPct: cleanPercent(done.cleanShare ?? 0) } : null,
    reached: done.reached,
  };
}
