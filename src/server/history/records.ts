import "server-only";
import type { Row } from "postgres";
import type { SetRecord } from "@/core/visit/setRecord";
import { rowsOf } from "../base/batch";
import type { Ctx } from "../base/context";

/** Of a set record r: neither corrected nor taken back. */
export const stands = (ctx: Ctx) =>
  ctx.tx`not r.is_voided and not exists (select 1 from set_record c where c.corrects = r.id)`;

const COLUMNS = `id, line_id, exercise_id, set_no, leg, bout_no, corrects, is_voided, started_at, worked_s, reps, load_kg,
  how, range_from_deg, range_to_deg, pain_before, pain, reserve, felt, early, mean_force_n, counted_by, faults, elsewhere, worn, help`;

/** Set records of a visit, all that were ever logged, the oldest first. */
export async function recordsOf(ctx: Ctx, visitId: string): Promise<SetRecord[]> {
  // as lists in one text a visit: ten years of records are read in half the time that their rows take
  const rows = await rowsOf(
    ctx,
    "records",
    visitId,
    (keys) => ctx.tx`
      select visit_id as of, json_agg(json_build_array(${ctx.tx.unsafe(COLUMNS)}) order by received_at, started_at, tablet_at, id) as kept
      from set_record where visit_id = any(${keys}::uuid[]) group by visit_id`,
  );
  return (rows[0]?.kept ?? []).map(fromList);
}

/** In the order of the columns. */
function fromList(r: Row): SetRecord {
  return {
    id: r[0],
    lineId: r[1],
    exerciseId: r[2],
    setNo: r[3],
    leg: r[4],
    boutNo: r[5],
    corrects: r[6],
    voided: r[7],
    startedAt: new Date(r[8]).toISOString(),
    workedS: r[9],
    reps: r[10],
    loadKg: r[11],
    how: r[12],
    rangeFromDeg: r[13],
    rangeToDeg: r[14],
    painBefore: r[15],
    pain: r[16],
    reserve: r[17],
    felt: r[18],
    early: r[19],
    meanForceN: r[20],
    countedBy: r[21],
    faults: r[22],
    elsewhere: r[23],
    worn: r[24],
    help: r[25],
  };
}
