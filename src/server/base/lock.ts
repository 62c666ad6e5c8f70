import "server-only";
import type { Ctx } from "./context";

/**
 * Waits until nobody else decides anything about this episode (or another record by its id), and keeps it so to the end
 * of the transaction: what is read to decide cannot change before it is written.
 */
export async function lockEpisode(ctx: Ctx, id: string): Promise<void> {
  await ctx.tx`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`;
}
