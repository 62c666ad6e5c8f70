import "server-only";
import type { Soreness } from "@/core/schedule/soreness";
import { daysBetween } from "@/core/units/days";
import { type Ctx, today } from "../base/context";
import { recentVisits } from "./visits";

/** How sore the last visit made, and how long ago it was; null: nobody was asked about it. Rule Sore 2. */
export async function lastSoreness(
  ctx: Ctx,
  episodeId: string,
): Promise<{ soreness: Soreness; daysAgo: number } | null> {
  const last = (await recentVisits(ctx, episodeId)).findLast((v) => v.end);
  return last?.morning
    ? { soreness: last.morning.soreness, daysAgo: daysBetween(last.day, today(ctx)) }
    : null;
}
