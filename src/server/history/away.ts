import "server-only";
import { type Ctx, dayOf } from "../base/context";

/** Times away of which some days were spent in bed, ill or in a brace: the ISO day on which it was said, and how many. */
export async function awaysOf(
  ctx: Ctx,
  episodeId: string,
): Promise<{ id: string; on: string; bedDays: number }[]> {
  const rows = await ctx.tx<{ id: string; chosen_at: Date; bed_days: number }[]>`
    select id, chosen_at, bed_days from return_choice where episode_id = ${episodeId} and bed_days > 0
    order by chosen_at, id`;
  return rows.map((r) => ({ id: r.id, on: dayOf(ctx, r.chosen_at), bedDays: r.bed_days }));
}
