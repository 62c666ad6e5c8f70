import "server-only";
import type { Ctx } from "../base/context";

/** Visits of an episode of which somebody said that what was odd was really so. */
export async function confirmedVisits(ctx: Ctx, episodeId: string): Promise<ReadonlySet<string>> {
  const rows = await ctx.tx<{ visit_id: string }[]>`
    select visit_id from odd_confirmed where episode_id = ${episodeId}`;
  return new Set(rows.map((r) => r.visit_id));
}
