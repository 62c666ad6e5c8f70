import "server-only";
import { z } from "zod";
import { type Feel, feel } from "@/core/visit/watched/feel";
import { type Ctx, once } from "../base/context";

/** So many visits are looked at, the newest. */
const LAST_VISITS = 24;
const rows = z.array(z.object({ id: z.string(), feels: z.array(feel) }));

/** What was said of lines in the visits of an episode, the newest first. Rule Feel 1. */
export const feelsOf = (ctx: Ctx, episodeId: string): Promise<{ visitId: string; feels: Feel[] }[]> =>
  once(ctx, `feels ${episodeId}`, async () => {
    const found = await ctx.tx`
      select v.id, e.feels from visit v join visit_end e on e.visit_id = v.id
      where v.episode_id = ${episodeId} order by v.started_at desc, v.id limit ${LAST_VISITS}`;
    return rows.parse(found).map((r) => ({ visitId: r.id, feels: r.feels }));
  });
