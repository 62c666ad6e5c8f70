import "server-only";
import { type Limit, limit } from "@/core/safety/limits";
import type { Ctx } from "./context";

/** All limits of an episode, also those that have ended: the core asks for a date. */
export async function limitsOf(ctx: Ctx, episodeId: string): Promise<Limit[]> {
  const rows = await ctx.tx`
    select id, kind, lower(bound) as low, upper(bound) as high, origin, reason, ends_on as "endsOn"
    from episode_limit where episode_id = ${episodeId} order by set_at`;
  return rows.map((r) => limit.parse(r));
}
