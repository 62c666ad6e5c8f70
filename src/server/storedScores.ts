import "server-only";
import { type ScoreLine, scoreLine } from "@/core/dose/scoreInput";
import { type Ctx, once } from "./context";

/** A session as it was saved. */
export interface StoredScore {
  id: string;
  version: number;
  items: ScoreLine[];
  seconds: number;
  hardReps: number;
  kneecapChairS: number | null;
  by: string;
  at: Date;
}

/** The newest saved session of an episode, and the ones before it, newest first. */
export const scoresOf = (ctx: Ctx, episodeId: string): Promise<StoredScore[]> =>
  once(ctx, `scores ${episodeId}`, () => readScoresOf(ctx, episodeId));

async function readScoresOf(ctx: Ctx, episodeId: string): Promise<StoredScore[]> {
  const rows = await ctx.tx`
    select s.*, p.name from session_score s join person p on p.id = s.made_by
    where s.episode_id = ${episodeId} order by s.version desc limit 60`;
  return rows.map((r) => ({
    id: r.id,
    version: r.version,
    items: scoreLine.array().parse(r.items),
    seconds: r.seconds,
    hardReps: r.hard_reps,
    kneecapChairS: r.kneecap_chair_s,
    by: r.name,
    at: r.made_at,
  }));
}
