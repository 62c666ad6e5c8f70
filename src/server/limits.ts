import "server-only";
import { combineConditions } from "@/core/safety/combineConditions";
import { holdLimits } from "@/core/safety/holdLimits";
import { type Limit, limit } from "@/core/safety/limits";
import { conditionsOf } from "./conditions";
import type { Ctx } from "./context";

/**
 * All limits of an episode: those that were written (also if they have ended: the core asks for a date) and those that
 * its conditions and their phases bring. Each keeps its origin; where they are merged the tightest wins.
 */
export async function limitsOf(ctx: Ctx, episodeId: string): Promise<Limit[]> {
  const rows = await ctx.tx`
    select id, kind, lower(bound) as low, upper(bound) as high, origin, reason, ends_on as "endsOn"
    from episode_limit where episode_id = ${episodeId} order by set_at`;
  const written = rows.map((r) => limit.parse(r));
  const conditions = await conditionsOf(ctx, episodeId);
  const each = conditions.flatMap(({ condition, phase, limits }) =>
    holdLimits(limits, `${condition.name}, ${phase.name.toLowerCase()}`, condition.id),
  );
  return [...written, ...each, ...conflictLimits(conditions)];
}

/** Conditions that contradict each other bar more together than each alone. */
function conflictLimits(conditions: Awaited<ReturnType<typeof conditionsOf>>): Limit[] {
  if (conditions.length < 2) return [];
  const parts = conditions.map(({ condition, limits }) => ({ conditionId: condition.id, limits }));
  const { limits, conflicts } = combineConditions(parts);
  return conflicts.length
    ? holdLimits(limits, `${conflicts[0]?.why}: ask ${conflicts[0]?.ask}`, "conflict")
    : [];
}
