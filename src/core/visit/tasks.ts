import type { KeptLine } from "../sheet/line/keptLine";
import { type RunLine, type RunStep, runThrough } from "../sheet/time/runThrough";

export type TaskLeg = "both" | "first" | "second";

/** One thing to do: a set of one leg, or one hold of it. */
export interface Task {
  lineId: string;
  /** index into the line's sets; beyond them for sets that were added */
  set: number;
  leg: TaskLeg;
  /** index of the hold in its set; 0 for repetitions */
  bout: number;
  role: "ramp" | "work";
  /** seconds of a hold or of walking; null for repetitions, which end with a tap */
  holdS: number | null;
  reps: number | null;
  /** planned seconds of it */
  workS: number;
  /** seconds of everything around the work until the next task: rest, change of side, moving, setting up */
  thenS: number;
  loadKg: number | null;
  how: string | null;
  /** as it was planned, where it was eased since */
  plannedKg: number | null;
  plannedHow: string | null;
  /** how it was planned to be set, where the day leaves less */
  aboveToday?: string;
}

export const taskKey = (t: Pick<Task, "lineId" | "set" | "leg" | "bout">): string =>
  `${t.lineId} ${t.set} ${t.leg} ${t.bout}`;

export const runLineOfKept = (l: KeptLine): RunLine => ({
  id: l.lineId,
  legs: l.legs,
  sharesRests: l.sharesRests,
  machine: l.machineId,
  sets: l.sets,
});

/** What is to do, in order, out of the one list of timers: each set or hold with what comes after it. */
export function tasksOf(lines: readonly KeptLine[]): Task[] {
  const byId = new Map(lines.map((l) => [l.lineId, l]));
  const tasks: Task[] = [];
  for (const step of lines.length > 0 ? runThrough(lines.map(runLineOfKept)) : []) {
    const made = step.kind === "work" ? tasksOfWork(step, byId.get(step.lineId ?? "")) : [];
    if (made.length > 0) tasks.push(...made);
    else {
      const last = tasks.at(-1);
      if (last) last.thenS += step.seconds;
    }
  }
  return tasks;
}

function tasksOfWork(step: RunStep, line: KeptLine | undefined): Task[] {
  const set = line?.sets[step.set ?? -1];
  if (!line || !set) return [];
  const task = (bout: number, workS: number, thenS: number): Task => ({
    lineId: line.lineId,
    set: step.set as number,
    leg: step.leg ?? "both",
    bout,
    role: set.role,
    holdS: set.holds ? set.holds.holdS : line.kind === "carry" ? workS : null,
    reps: set.reps,
    workS,
    thenS,
    loadKg: set.loadKg,
    how: set.how,
    plannedKg: set.loadKg,
    plannedHow: set.how,
    ...(set.aboveToday && { aboveToday: set.aboveToday }),
  });
  const { holds } = set;
  if (!holds) return [task(0, step.seconds, 0)];
  return Array.from({ length: holds.reps }, (_, i) =>
    task(i, holds.holdS, i < holds.reps - 1 ? holds.restS : 0),
  );
}

const FINGER_S = 0.5;

/** A stop within half a second of the end is the beat of a finger, not a lost hold. */
export const isWholeHold = (workedS: number, holdS: number): boolean => workedS >= holdS - FINGER_S;
