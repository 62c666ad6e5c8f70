import type { Side } from "../units/fields";
import type { DoneTask } from "./run";
import type { DoneLeg, SetRecord } from "./setRecord";
import type { TaskLeg } from "./tasks";

/** The side that goes first: the weaker one where tests say so. */
export const sideOf = (leg: TaskLeg, first: Side): DoneLeg =>
  leg === "both" ? "both" : leg === "first" ? first : first === "left" ? "right" : "left";

/** A set that was done, as it is kept. */
export function recordOf(d: DoneTask, first: Side, corrects: string | null = null): SetRecord {
  return {
    id: d.recordId,
    lineId: d.task.lineId,
    exerciseId: d.exerciseId,
    setNo: d.task.set + 1,
    leg: sideOf(d.task.leg, first),
    boutNo: d.task.bout + 1,
    corrects,
    voided: false,
    startedAt: new Date(d.startedAtMs).toISOString(),
    workedS: Math.round(d.workedS * 10) / 10,
    reps: d.reps,
    loadKg: d.task.loadKg,
    how: d.task.how,
    rangeFromDeg: d.range?.fromDeg ?? null,
    rangeToDeg: d.range?.toDeg ?? null,
    painBefore: d.painBefore,
    pain: d.pain,
    reserve: d.reserve,
    felt: d.felt,
    early: d.early,
    meanForceN: d.meanForceN,
    countedBy: d.countedBy,
    faults: [...d.faults],
    elsewhere: [...d.elsewhere],
    worn: d.aid.worn,
    help: d.aid.help,
  };
}
