import "server-only";
import { type FollowedRegion, followedRegions } from "@/core/story/regions";
import { MOST_ELSEWHERE, type PainRegion } from "@/core/units/painRegion";
import { standing } from "@/core/visit/setRecord";
import { type Ctx, once } from "../base/context";
import { recordsOf } from "./records";

/** What is followed beside the joint, by the story. */
export const regionsOf = (ctx: Ctx, episodeId: string): Promise<FollowedRegion[]> =>
  once(ctx, `regions ${episodeId}`, async () => {
    const [r] = await ctx.tx`select regions from episode where id = ${episodeId}`;
    return followedRegions.parse(r?.regions ?? []);
  });

/** Regions that the morning after a visit asks for: those followed, then those that were named in it. Rule Region 4. */
export async function regionsAsked(ctx: Ctx, episodeId: string, visitId: string): Promise<PainRegion[]> {
  const named = standing(await recordsOf(ctx, visitId)).flatMap((r) => r.elsewhere.map((x) => x.region));
  return [...new Set([...(await regionsOf(ctx, episodeId)).map((f) => f.region), ...named])].slice(
    0,
    MOST_ELSEWHERE,
  );
}
