import "server-only";
import type { FaultId } from "@/core/rules/faults/faults";
import type { Ctx } from "../base/context";
import { stands } from "./records";

/** What was seen of a line in the last visit that ran it with the same exercise. Rule Seen 1. */
export async function faultsSeenLast(
  ctx: Ctx,
  episodeId: string,
): Promise<(line: { lineId: string; exerciseId: string }) => readonly FaultId[]> {
  const rows = await ctx.tx<{ line_id: string; exercise_id: string; ids: FaultId[] }[]>`
    select r.line_id, r.exercise_id, array_agg(distinct f->>'id') as ids
    from (
      select distinct on (r.line_id, r.exercise_id) r.line_id, r.exercise_id, r.visit_id
      from set_record r join visit v on v.id = r.visit_id where v.episode_id = ${episodeId}
      order by r.line_id, r.exercise_id, v.started_at desc, v.received_at desc
    ) last
    join set_record r using (line_id, exercise_id, visit_id)
    cross join jsonb_array_elements(r.faults) f
    where ${stands(ctx)} group by r.line_id, r.exercise_id`;
  return ({ lineId, exerciseId }) =>
    rows.find((r) => r.line_id === lineId && r.exercise_id === exerciseId)?.ids ?? [];
}
