import "server-only";
import { z } from "zod";
import {
  type Activity,
  activity,
  besidesOf,
  type RegularActivity,
  regularActivity,
} from "@/core/schedule/activity";
import { daysAfter, weekdayOf } from "@/core/units/days";
import { type Ctx, dayOf, once, today } from "../base/context";
import { morningOf, type VisitHead } from "./visits";

/** What the client does every week beside the exercises, by the story. */
export const activitiesOf = (ctx: Ctx, episodeId: string): Promise<RegularActivity[]> =>
  once(ctx, `activities ${episodeId}`, async () => {
    const [r] = await ctx.tx`select activities from episode where id = ${episodeId}`;
    return z.array(regularActivity).parse(r?.activities ?? []);
  });

/** What was done beside the exercises on the day of a visit. Rule Besides 2. */
export const besidesOn = async (
  ctx: Ctx,
  episodeId: string,
  { day, morning }: Pick<VisitHead, "day" | "morning">,
): Promise<readonly Activity[]> =>
  besidesOf(weekdayOf(day), morning?.besides ?? null, await activitiesOf(ctx, episodeId));

const said = z.array(z.object({ started_at: z.date(), besides: z.array(activity) }));

/** What was done beside the exercises on each of the last days, today too: as the morning after said it, else as usual. Rule Besides 2. */
export async function besidesWithin(
  ctx: Ctx,
  episodeId: string,
  days: number,
): Promise<{ on: string; done: readonly Activity[] }[]> {
  const regular = await activitiesOf(ctx, episodeId);
  const first = daysAfter(today(ctx), -days);
  // a day of the clinic may begin a day earlier by the world's clock
  const rows = await ctx.tx`
    select v.started_at, m.besides from visit v join lateral (${morningOf(ctx)}) m on m.besides is not null
    where v.episode_id = ${episodeId} and v.received_at > ${first}::date - 1`;
  const byDay = new Map(said.parse(rows).map((r) => [dayOf(ctx, r.started_at), r.besides]));
  return Array.from({ length: days + 1 }, (_, d) => daysAfter(first, d)).map((on) => ({
    on,
    done: besidesOf(weekdayOf(on), byDay.get(on) ?? null, regular),
  }));
}
