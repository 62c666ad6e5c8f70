import "server-only";
import { FINDING_VALID_DAYS, newestOf } from "@/core/measure/findings";
import { painAbove } from "@/core/progression/painAbove";
import { daysBetween } from "@/core/units/days";
import type { Said } from "@/core/units/said";
import { type Ctx, today } from "../base/context";
import { boundsOf } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { findingsOnFile } from "../measure/otherMeasurements";

/** Pain at rest as it was last asked: in the story or as a measurement. Null: not for four weeks. */
async function painAtRest(ctx: Ctx, client: ClientEpisode): Promise<number | null> {
  const newest = newestOf(await findingsOnFile(ctx, client), "daily_pain", client.side);
  return newest && daysBetween(newest.takenOn, today(ctx)) <= FINDING_VALID_DAYS ? newest.value : null;
}

/** Said where pain is above the most allowed before any work; null where it is not, or nobody asked lately. */
export async function painSentence(ctx: Ctx, client: ClientEpisode): Promise<Said | null> {
  const pain = await painAtRest(ctx, client);
  return pain === null ? null : painAbove(pain, await boundsOf(ctx, client));
}
