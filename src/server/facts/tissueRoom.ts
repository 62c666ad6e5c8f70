import "server-only";
import { z } from "zod";
import { withOwn } from "@/core/rules/exercises";
import { type Corridor, corridorOf, type TissueVisit } from "@/core/schedule/corridor";
import { type SorePart, sorePartOf, tissueDone } from "@/core/sheet/effect/tissueDose";
import { keptLine, keptSet } from "@/core/sheet/line/keptLine";
import { confounding } from "@/core/story/besides";
import { daysAfter } from "@/core/units/days";
import { isSore } from "@/core/visit/between/offersAreOpen";
import { type Ctx, dayOf } from "../base/context";
import { untilChanged } from "../base/untilChanged";
import { painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { exercisesOf } from "../clinic/exercises";
import { besidesWithin } from "../history/besides";
import { stands } from "../history/records";
import { morningOf } from "../history/visits";

/** Six weeks count, and a week more for drafts that waited. Rule W4. */
const DAYS_BACK = 49;
const DAY_MS = 86_400_000;

/** What is sore of a client when it is, as far as lines can be told apart by it. */
export const soreOf = async (ctx: Ctx, client: ClientEpisode): Promise<SorePart> =>
  sorePartOf((await conditionsOf(ctx, client.episodeId)).map((c) => c.condition.main_region));

const row = z.object({
  started_at: z.date(),
  exercise_id: z.string(),
  kind: keptLine.shape.kind,
  sets: keptSet.array(),
  share: z.number().nullable(),
  legs: z.array(z.object({ reps: z.number(), heldS: z.number() })),
  answered: z.object({ pain: z.number().nullable(), swelling: z.number().nullable() }).nullable(),
});

const kept = untilChanged<readonly TissueVisit[]>("tissue", 240);

/** What each day of the last weeks put on what is sore, and how the morning after it was. */
const tissueVisits = (ctx: Ctx, client: ClientEpisode): Promise<readonly TissueVisit[]> =>
  kept(ctx, client.episodeId, () => workedOut(ctx, client));

async function workedOut(ctx: Ctx, client: ClientEpisode): Promise<TissueVisit[]> {
  const sore = await soreOf(ctx, client);
  const exercises = withOwn((await exercisesOf(ctx)).map((x) => x.exercise));
  const pain = { painMax: await painMaxFor(ctx, client), usualPain: client.usualPain };
  const besides = new Map((await besidesWithin(ctx, client.episodeId, DAYS_BACK)).map((b) => [b.on, b.done]));
  const byDay = new Map<string, TissueVisit>();
  for (const r of await linesDone(ctx, client.episodeId)) {
    const day = dayOf(ctx, r.started_at);
    const e = exercises.find((x) => x.id === r.exercise_id) ?? null;
    const doses = r.legs.map((leg) => tissueDone(r, e, sore, leg));
    const sorest = r.answered && isSore({ day, morning: r.answered }, pain) ? "sore" : "well";
    const dose = (byDay.get(day)?.dose ?? 0) + Math.max(0, ...doses);
    // after something hard besides the morning does not tell what the exercises did. Rule Besides 3
    const isTelling = confounding(client.part, besides.get(day) ?? []).length === 0;
    byDay.set(day, { day, dose, morning: r.answered && isTelling ? sorest : null });
  }
  return [...byDay.values()];
}

/** Lines of the last weeks as they were kept, with what each leg did of them. */
async function linesDone(ctx: Ctx, episodeId: string) {
  const since = new Date(ctx.now.getTime() - DAYS_BACK * DAY_MS);
  const rows = await ctx.tx`
    with done as (
      select r.visit_id, r.line_id, r.exercise_id, r.leg, coalesce(sum(r.reps), 0)::float8 as reps,
        coalesce(sum(r.worked_s) filter (where r.reps is null), 0)::float8 as held_s
      from set_record r join visit v on v.id = r.visit_id
      where v.episode_id = ${episodeId} and v.received_at > ${since}
        and ${stands(ctx)}
      group by r.visit_id, r.line_id, r.exercise_id, r.leg)
    select v.started_at, d.exercise_id, l.scheme_kind as kind, l.kept -> 'sets' as sets, (l.kept ->> 'share')::float8 as share,
      json_agg(json_build_object('reps', d.reps, 'heldS', d.held_s)) as legs,
      (select json_build_object('pain', m.pain, 'swelling', m.swelling) from (${morningOf(ctx)}) m) as answered
    from done d join visit v on v.id = d.visit_id
    join sheet_line l on l.version_id = v.version_id and l.line_id = d.line_id and l.kept is not null
    group by v.id, l.version_id, l.line_id, d.exercise_id order by v.started_at, v.id, l.line_id, d.exercise_id`;
  return z.array(row).parse(rows);
}

/** What this joint takes in one visit, by its mornings before a day. Rule W4. */
export const corridorOn = async (ctx: Ctx, client: ClientEpisode, on: string): Promise<Corridor> =>
  corridorOf(await tissueVisits(ctx, client), on, {
    irritability: client.irritability,
    isTold: (await soreOf(ctx, client)) !== null,
  });

/** What a day put on what is sore against what this joint takes, the day's own morning known. Rule H11. */
export async function roomAfter(
  ctx: Ctx,
  client: ClientEpisode,
  day: string,
): Promise<{ dose: number; most: number }> {
  const { most } = await corridorOn(ctx, client, daysAfter(day, 1));
  const of = (await tissueVisits(ctx, client)).find((v) => v.day === day);
  return { dose: of?.dose ?? 0, most };
}
