import "server-only";
import type { SetRecord } from "@/core/visit/setRecord";
import { rowsOf } from "../base/batch";
import type { Ctx } from "../base/context";

const COLUMNS = [
  ...[
    "id",
    "line_id",
    "exercise_id",
    "set_no",
    "leg",
    "bout_no",
    "corrects",
    "is_voided",
    "started_at",
    "worked_s",
  ],
  ...[
    "reps",
    "load_kg",
    "how",
    "range_from_deg",
    "range_to_deg",
    "pain_before",
    "pain",
    "reserve",
    "felt",
    "early",
  ],
  ...["mean_force_n", "counted_by"],
];

/** Set records of a visit, all that were ever logged, the oldest first. */
export async function recordsOf(ctx: Ctx, visitId: string): Promise<SetRecord[]> {
  const rows = await rowsOf(
    ctx,
    "records",
    visitId,
    (keys) => ctx.tx`
      select visit_id as of, ${ctx.tx(COLUMNS)} from set_record
      where visit_id = any(${keys}::uuid[]) order by visit_id, received_at, id`,
  );
  return rows.map((r) => ({
    id: r.id,
    lineId: r.line_id,
    exerciseId: r.exercise_id,
    setNo: r.set_no,
    leg: r.leg,
    boutNo: r.bout_no,
    corrects: r.corrects,
    voided: r.is_voided,
    startedAt: r.started_at.toISOString(),
    workedS: r.worked_s,
    reps: r.reps,
    loadKg: r.load_kg,
    how: r.how,
    rangeFromDeg: r.range_from_deg,
    rangeToDeg: r.range_to_deg,
    painBefore: r.pain_before,
    pain: r.pain,
    reserve: r.reserve,
    felt: r.felt,
    early: r.early,
    meanForceN: r.mean_force_n,
    countedBy: r.counted_by,
  }));
}
