import "server-only";
import { isStricter } from "@/core/bounds/inForce";
import type { SetGuard } from "@/core/schedule/block/setGuard";
import { guardOf } from "@/core/visit/between/guardOf";
import { type Ctx, today } from "../base/context";
import { boundsOf, painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { corridorOn } from "../facts/tissueRoom";
import { recentVisits } from "../history/visits";
import { setAimOf } from "./weekSets";

/** What a week of effective sets of this client is held against today. */
export const setGuardOf = async (ctx: Ctx, client: ClientEpisode): Promise<SetGuard> =>
  guardOf(await recentVisits(ctx, client.episodeId), {
    today: today(ctx),
    painMax: await painMaxFor(ctx, client),
    usualPain: client.usualPain,
    irritability: client.irritability,
    aim: await setAimOf(ctx, client),
    isPartialWeight: isStricter(await boundsOf(ctx, client), "weight_bearing", "full"),
    mostTissue: (await corridorOn(ctx, client, today(ctx))).most,
  });
