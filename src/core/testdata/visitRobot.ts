import type { KeptLine } from "../sheet/line/keptLine";
import { currentTask, startOf, visitState } from "../visit/run";
import type { VisitEvent } from "../visit/visitEvent";
import { lineIdOf } from "./keptLines";

/** The seconds that stand before the first set: warm-up and setting up. */
const LEAD_S = 330;

/**
 * Runs lines as planned, each set as long as its plan says and each rest to its end; gives what happened and how long it
 * took with everything around it. `reps` are what every set really reaches.
 */
export function robot(
  lines: readonly KeptLine[],
  o: { reps?: number; pain?: number } = {},
): { events: VisitEvent[]; seconds: number } {
  const events: VisitEvent[] = [];
  let seconds = LEAD_S;
  for (let i = 0; i < 600; i++) {
    const s = events.length ? visitState(lines, events) : startOf(lines);
    const at = Math.round(seconds * 1000);
    const task = currentTask(s);
    if (s.phase === "closing") events.push({ type: "finish", painAtEnd: o.pain ?? 1, at });
    else if (s.phase === "set-up" && task)
      events.push({ type: "set-up", lineId: task.lineId, pins: true, at });
    else if (s.phase === "pain-before") events.push({ type: "pain-before", score: o.pain ?? 1, at });
    else if (s.phase === "ready" && task) events.push({ type: "start", task, at });
    else if (s.phase === "working" && task) {
      seconds += task.workS;
      events.push({
        type: "end",
        at: Math.round(seconds * 1000),
        early: null,
        reps: task.reps === null ? null : Math.min(task.reps, o.reps ?? task.reps),
        meanForceN: null,
        range: null,
        countedBy: "tap",
      });
    } else if (s.phase === "rating" && s.under) {
      seconds += s.under.task.thenS;
      events.push({
        type: "rate",
        pain: o.pain ?? 1,
        reserve: null,
        felt: null,
        recordId: lineIdOf(1000 + i),
        at: Math.round(seconds * 1000),
      });
    } else return { events, seconds };
  }
  throw new Error("The run does not come to an end.");
}
