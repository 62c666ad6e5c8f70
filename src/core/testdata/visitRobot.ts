import type { KeptLine } from "../sheet/line/keptLine";
import type { PainAt } from "../units/painRegion";
import { currentTask, lineOf, startOf, visitState } from "../visit/run";
import type { VisitEvent } from "../visit/visitEvent";
import type { SeenFault } from "../visit/watched/seen";
import { lineIdOf } from "./keptLines";

/** The seconds that stand before the first set: warm-up and setting up. */
const LEAD_S = 330;

export interface RobotOptions {
  /** what every set really reaches at most */
  reps?: number;
  /** joint pain before, in the sets, and at the end of the visit; 1 where nothing is said */
  painBefore?: number;
  pain?: number;
  painAtEnd?: number;
  /** felt effort of holds, repetitions left of sets */
  felt?: number | null;
  reserve?: number | null;
  /** holds are given up after so many seconds */
  heldS?: number;
  /** what is seen of every set of a line */
  faults?: (line: KeptLine) => SeenFault[];
  /** pain in other regions in every set of a line */
  elsewhere?: (line: KeptLine) => PainAt[];
  /** the identifiers of the records, in order */
  ids?: () => string;
}

const USUAL_PAIN = 1;

/**
 * Runs lines as planned, each set as long as its plan says and each rest to its end; gives what happened and how long it
 * took with everything around it.
 */
export function robot(
  lines: readonly KeptLine[],
  o: RobotOptions = {},
): { events: VisitEvent[]; seconds: number } {
  const events: VisitEvent[] = [];
  let seconds = LEAD_S;
  for (let i = 0; i < 600; i++) {
    const s = events.length ? visitState(lines, events) : startOf(lines);
    const at = Math.round(seconds * 1000);
    const task = currentTask(s);
    if (s.phase === "closing") events.push({ type: "finish", painAtEnd: o.painAtEnd ?? USUAL_PAIN, at });
    else if (s.phase === "set-up" && task)
      events.push({ type: "set-up", lineId: task.lineId, pins: true, at });
    else if (s.phase === "pain-before")
      events.push({ type: "pain-before", score: o.painBefore ?? USUAL_PAIN, at });
    else if (s.phase === "ready" && task) {
      const { lineId, set, leg, bout } = task;
      events.push({ type: "start", task: { lineId, set, leg, bout }, at });
    } else if (s.phase === "working" && task) {
      seconds += task.holdS === null ? task.workS : Math.min(task.workS, o.heldS ?? task.workS);
      events.push({
        type: "end",
        at: Math.round(seconds * 1000),
        early: task.holdS !== null && o.heldS !== undefined ? "other" : null,
        reps: task.reps === null ? null : Math.min(task.reps, o.reps ?? task.reps),
        meanForceN: null,
        range: null,
        countedBy: "tap",
      });
    } else if (s.phase === "rating" && s.under) {
      seconds += s.under.task.thenS;
      events.push({
        type: "rate",
        pain: o.pain ?? USUAL_PAIN,
        reps: null,
        reserve: s.under.task.reps === null ? null : (o.reserve ?? null),
        felt: s.under.task.reps === null ? (o.felt ?? null) : null,
        ...(o.elsewhere ? { elsewhere: o.elsewhere(lineOf(s, s.under.task.lineId) as KeptLine) } : {}),
        ...(o.faults ? { faults: o.faults(lineOf(s, s.under.task.lineId) as KeptLine) } : {}),
        recordId: o.ids?.() ?? lineIdOf(1000 + i),
        at: Math.round(seconds * 1000),
      });
    } else return { events, seconds };
  }
  throw new Error("The run does not come to an end.");
}
