import "server-only";
import { isStricter } from "@/core/bounds/inForce";
import type { SetGuard } from "@/core/schedule/block/setGuard";
import { bandOf } from "@/core/sheet/effect/setBand";
import { daysBetween } from "@/core/units/days";
import { isSore } from "@/core/visit/between/offersAreOpen";
import { MUSCLE_IDS } from "@/words/en/plan/muscles";
import { type Ctx, today } from "../base/context";
import { boundsOf, painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { recentVisits } from "../history/visits";
import { setAimOf } from "./weekSets";

/** Mornings of so many days say how fast sets may grow; of them so many must have been answered, and within their rule. Rule W1. */
const MORNINGS_DAYS = 14;
const ANSWERED = 0.6;
/** A flare of these days lowers what the next week begins with. */
const FLARE_DAYS = 7;

/** What a week of effective sets of this client is held against today. */
export async function setGuardOf(ctx: Ctx, client: ClientEpisode): Promise<SetGuard> {
  const aim = await setAimOf(ctx, client);
  const pain = { painMax: await painMaxFor(ctx, client), usualPain: client.usualPain };
  const ago = (day: string) => daysBetween(day, today(ctx));
  const visits = (await recentVisits(ctx, client.episodeId)).filter(
    (v) => ago(v.day) > 0 && ago(v.day) <= MORNINGS_DAYS,
  );
  const well = visits.filter((v) => v.morning !== null && !isSore(v, pain)).length;
  const isCareful = client.irritability === "high" || aim?.stage === "protect" || aim?.stage === "wake";
  return {
    bands: aim ? Object.fromEntries(MUSCLE_IDS.map((m) => [m, bandOf(aim.stage, m, aim.aimed)])) : {},
    step: !isCareful && visits.length > 0 && well >= ANSWERED * visits.length ? 2 : 1,
    isSore: visits.some((v) => ago(v.day) <= FLARE_DAYS && isSore(v, pain)),
    isBar:
      client.irritability === "high" || isStricter(await boundsOf(ctx, client), "weight_bearing", "full"),
  };
}
