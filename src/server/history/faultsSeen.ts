import "server-only";
import type { FaultId } from "@/core/rules/faults/faults";
import type { Ctx } from "../base/context";
import { stands } from "./records";

/** What was seen of each line in the last visit that ran it, by line. Rule Seen 1. */
export async function faultsSeenLast(ctx: Ctx, episodeId: string): Promise<Map<string, FaultId[]>> {
  const rows = await ctx.tx<{ line_id: string; ids: FaultId[] }[]>`
    select r.line_id, array_agg(distinct f->>'id') as ids
    from (
      select distinct on (r.line_id) r.line_id, r.visit_id from set_record r join visit v on v.id = r.visit_id
      where v.episode_id = ${episodeId} order by r.line_id, v.started_at desc, v.received_at desc
    ) last
    join set_record r on r.line_id = last.line_id and r.visit_id = last.visit_id
    cross join jsonb_array_elements(r.faults) f
    where ${stands(ctx)} group by r.line_id`;
  return new Map(rows.map((r) => [r.line_id, r.ids]));
}
