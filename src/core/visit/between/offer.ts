import { nextSet } from "../../capacity/nextSet";
import { aidKey } from "../../selection/setUp/aid";
import type { KeptLine } from "../../sheet/line/keptLine";
import { aidNow, currentTask, type DoneTask, type LiveTask, lineOf, type VisitState } from "../run";

/** What the next set of a line may become, by how the last one of that leg went. */
export interface Offer {
  lineId: string;
  /** the set that it follows from */
  recordId: string;
  loadKg: number | null;
  how: string | null;
  reps: number;
  /** more is asked than was planned; else the muscle gave out, and it is less */
  isMore: boolean;
}

/** So many steps up in one visit of a line. Rule L8 [own]. */
const MOST_RISES = { usual: 2, strict: 1 } as const;
/** Joint pain up to here is green, and no more than so much above the first set of the line. */
const GREEN_PAIN = 2;
const MOST_MORE_PAIN = 2;
/** Of the planned range, where it was measured. */
const LEAST_RANGE = 0.95;

/** Whether nothing of the last set speaks against more. */
function mayRise(s: VisitState, line: KeptLine, last: DoneTask): boolean {
  const first = s.done.find((d) => d.task.lineId === line.lineId);
  const planned = line.fromDeg === null || line.toDeg === null ? 0 : line.toDeg - line.fromDeg;
  const reached = last.range && planned > 0 ? (last.range.toDeg - last.range.fromDeg) / planned : 1;
  return (
    last.early === null &&
    last.pain <= Math.min(GREEN_PAIN, line.painMax) &&
    last.elsewhere.every((x) => x.pain <= GREEN_PAIN) &&
    last.pain - (first?.pain ?? last.pain) <= MOST_MORE_PAIN &&
    reached >= LEAST_RANGE &&
    (s.rises[line.lineId] ?? 0) < MOST_RISES[line.offers?.care === "strict" ? "strict" : "usual"]
  );
}

const endedAs = (d: DoneTask) =>
  d.early === null ? ("planned" as const) : d.early === "muscle" ? ("muscle" as const) : ("other" as const);

/** What the last set of a leg says of the next; undefined: nothing; null: the line ends, since the muscle gave out. */
export function saysNext(line: KeptLine, last: DoneTask) {
  const { offers, station } = line;
  const plannedReps = last.task.reps;
  if (!offers || !station || plannedReps === null || last.reps === null || last.task.role === "ramp")
    return undefined;
  return nextSet(
    station,
    {
      loadKg: last.task.loadKg ?? 0,
      reps: last.reps,
      plannedReps,
      reserve: last.reserve,
      ended: endedAs(last),
    },
    {
      reserve: offers.reserve,
      ladder: { least: offers.least, most: Math.max(offers.most, plannedReps) },
      care: offers.care,
      loads: offers.loads.map((l) => l.loadKg),
    },
  );
}

/** The next set, offered: one tap takes it. Null where it stays as planned, was answered, or something speaks against it. Rule L8. */
export function offerFor(s: VisitState): Offer | null {
  const task = currentTask(s);
  const line = task && lineOf(s, task.lineId);
  if (!task || !line?.offers || task.reps === null || s.stopped !== null || s.ended[line.lineId]) return null;
  if (s.phase !== "ready" && s.phase !== "pain-before") return null;
  // a last set in its own way is not what the sets before it speak of
  if (line.sets[task.set]?.last) return null;
  const last = s.done.findLast((d) => d.task.lineId === task.lineId && d.task.leg === task.leg);
  if (!last || s.answered.includes(last.recordId)) return null;
  // with another aid it was another lift
  if (aidKey(last.aid) !== aidKey(aidNow(s, line.lineId))) return null;
  const next = saysNext(line, last);
  if (!next) return null;
  const kg = last.task.loadKg === null ? null : next.loadKg;
  const isSame = (kg ?? 0) === (task.loadKg ?? 0) && next.reps === task.reps;
  const isMore = endedAs(last) === "planned";
  if (isSame || (isMore && !mayRise(s, line, last))) return null;
  const how =
    kg === null ? null : (line.offers.loads.find((l) => Math.abs(l.loadKg - kg) < 1e-6)?.how ?? task.how);
  return { lineId: line.lineId, recordId: last.recordId, loadKg: kg, how, reps: next.reps, isMore };
}

/** The open sets of that leg with what was offered. */
export const withOffer = (
  tasks: readonly LiveTask[],
  task: LiveTask,
  o: Offer,
  sets: KeptLine["sets"],
): LiveTask[] =>
  tasks.map((t) => {
    const isIts = t.lineId === o.lineId && t.leg === task.leg && t.status === "open" && t.role === "work";
    const last = sets[t.set]?.last;
    // a lighter last set stays what it is; one of another way takes the load and keeps its repetitions
    if (!isIts || last === "lighter") return t;
    return { ...t, loadKg: o.loadKg, how: o.how, reps: last ? t.reps : o.reps };
  });
