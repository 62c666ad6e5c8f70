import type { KeptLine } from "../sheet/line/keptLine";
import type { DoneTask, LiveTask } from "./run";

/** The most bouts of an accumulated set. Dosing rules D8. */
const MOST_BOUTS = 9;
const LEAST_BOUT = 2;
const ADDED_REPS = 3;

const drop = (t: LiveTask): LiveTask => ({ ...t, status: "dropped" });

/** What a set that was done makes of what is left of its line. Dosing rules D7, D8; product rule "weaker leg first". */
export function afterRating(
  line: KeptLine,
  tasks: readonly LiveTask[],
  done: readonly DoneTask[],
  last: DoneTask,
): readonly LiveTask[] {
  const { leg, set, bout, lineId } = last.task;
  // the other leg does what this one did, and no more
  const matched =
    leg === "first"
      ? tasks.map((t) =>
          t.lineId === lineId && t.set === set && t.bout === bout && t.leg === "second" && t.status === "open"
            ? matchedTo(t, last)
            : t,
        )
      : tasks;
  const isOpen = (t: LiveTask) => t.lineId === lineId && t.leg === leg && t.status === "open";
  const dropRest = () => matched.map((t) => (isOpen(t) ? drop(t) : t));
  if (line.leastReserve !== null && line.total === null)
    return last.reserve !== null && last.reserve <= line.leastReserve ? dropRest() : matched;
  if (line.total === null) return matched;
  const mine = done.filter((d) => d.task.lineId === lineId && d.task.leg === leg);
  const counted = mine.reduce((sum, d) => sum + (d.reps ?? 0), 0);
  const isOver =
    counted >= line.total ||
    last.early !== null ||
    (last.reps ?? 0) < Math.min(LEAST_BOUT, last.task.reps ?? LEAST_BOUT) ||
    mine.length >= MOST_BOUTS;
  if (isOver) return dropRest();
  const left = line.total - counted;
  const next = matched.find(isOpen);
  // never more than what is left of the total
  if (next)
    return matched.map((t) =>
      t === next ? { ...t, reps: Math.min(Math.max(t.reps ?? 0, ADDED_REPS), left) } : t,
    );
  const again: LiveTask = {
    ...last.task,
    set: Math.max(...matched.filter((t) => t.lineId === lineId).map((t) => t.set)) + 1,
    reps: Math.min(ADDED_REPS, left),
    status: "open",
  };
  const at = matched.findLastIndex((t) => t.lineId === lineId && t.leg === leg) + 1;
  return [...matched.slice(0, at), again, ...matched.slice(at)];
}

function matchedTo(t: LiveTask, first: DoneTask): LiveTask {
  if (t.reps !== null && first.reps !== null)
    return first.reps === 0 ? drop(t) : { ...t, reps: Math.min(t.reps, first.reps) };
  if (t.holdS === null) return t;
  const holdS = Math.min(t.holdS, Math.floor(first.workedS));
  return holdS < 1 ? drop(t) : { ...t, holdS };
}
