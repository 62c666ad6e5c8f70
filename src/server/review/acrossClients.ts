import "server-only";
import { z } from "zod";
import { type AcrossClients, acrossClients, type ExerciseVisit } from "@/core/review/across/acrossClients";
import { conditionById } from "@/core/rules/conditions";
import { activity, besidesOf, regularActivity } from "@/core/schedule/activity";
import { aidKey, WORN_IDS } from "@/core/selection/setUp/aid";
import { confounding } from "@/core/story/besides";
import { partOf } from "@/core/story/part";
import { daysAfter, weekdayOf } from "@/core/units/days";
import { isSore } from "@/core/visit/between/offersAreOpen";
import { type Ctx, dayOf, mustMay, today } from "../base/context";
import { stands } from "../history/records";
import { morningOf } from "../history/visits";

/** So far back, and so many visits at most, the newest: what was dosed years ago was dosed in another way. Rule Z1 [own]. */
const DAYS_BACK = 365;
const MOST_VISITS = 5000;

/** What may be worn without another station being spoken of. Rule Aid 1. */
const CARRIES_NOTHING = WORN_IDS.filter((worn) => aidKey({ worn, help: "none" }) === "");

const row = z.object({
  exercise_id: z.string(),
  client_id: z.string(),
  started_at: z.date(),
  stopped: z.boolean(),
  pain_max: z.number().nullable(),
  usual_pain: z.number(),
  activities: regularActivity.array(),
  conditions: z.string().array(),
  answered: z
    .object({
      pain: z.number().nullable(),
      swelling: z.number().nullable(),
      besides: activity.array().nullable(),
    })
    .nullable(),
  /** machine, legs, kilograms, repetitions, left */
  best: z.tuple([z.string().nullable(), z.string(), z.number(), z.number(), z.number()]).nullable(),
});

/** What every exercise led to in this clinic within a year, nobody named. Rule Z1. */
export async function exercisesAcross(ctx: Ctx): Promise<AcrossClients[]> {
  mustMay(ctx, "client.read");
  return acrossClients(await exerciseVisits(ctx));
}

/** The same of one exercise; null: nobody did it. */
export async function exerciseAcross(ctx: Ctx, exerciseId: string): Promise<AcrossClients | null> {
  mustMay(ctx, "client.read");
  return acrossClients(await exerciseVisits(ctx, exerciseId))[0] ?? null;
}

/** Every exercise of the clinic's newest visits, or one of them, the oldest first. */
export async function exerciseVisits(ctx: Ctx, only: string | null = null): Promise<ExerciseVisit[]> {
  const since = daysAfter(today(ctx), -DAYS_BACK);
  const rows = await ctx.tx`
    with newest as materialized (
      select v.id, v.episode_id, v.version_id, v.started_at from visit v
      where v.received_at > ${since}::date order by v.received_at desc limit ${MOST_VISITS}),
    done as materialized (
      select v.id, v.episode_id, v.started_at, r.exercise_id,
        bool_or(coalesce(r.early, '') = 'joint_pain') as stopped, max((l.kept ->> 'painMax')::float8) as pain_max,
        json_agg(json_build_array(l.kept ->> 'machineId', r.leg, r.load_kg::float8, r.reps, r.reserve::float8)
          order by r.load_kg desc, r.reps desc)
          filter (where r.load_kg > 0 and r.reps > 0 and r.reserve is not null and r.help = 'none'
            and r.worn = any(${CARRIES_NOTHING}) and not coalesce((l.kept ->> 'isHelp')::boolean, false)) -> 0 as best
      from newest v join set_record r on r.visit_id = v.id and ${stands(ctx)}
      and (${only}::text is null or r.exercise_id = ${only})
      left join sheet_line l on l.version_id = v.version_id and l.line_id = r.line_id and l.exercise_id = r.exercise_id
      group by v.id, v.episode_id, v.started_at, r.exercise_id),
    mornings as materialized (
      select v.id, (select json_build_object('pain', m.pain, 'swelling', m.swelling, 'besides', m.besides)
        from (${morningOf(ctx)}) m) as answered from newest v)
    select d.exercise_id, e.client_id, d.started_at, d.stopped, d.pain_max, e.usual_pain::float8 as usual_pain, e.activities,
      array(select c.condition_id from episode_condition c where c.episode_id = e.id) as conditions, m.answered, d.best
    from done d join episode e on e.id = d.episode_id join mornings m on m.id = d.id
    order by d.started_at, d.id, d.exercise_id`;
  return z
    .array(row)
    .parse(rows)
    .map((r) => visitOf(ctx, r));
}

function visitOf(ctx: Ctx, r: z.infer<typeof row>): ExerciseVisit {
  const day = dayOf(ctx, r.started_at);
  const part = partOf(r.conditions.flatMap((id) => conditionById(id)?.main_region ?? []));
  const { answered, best } = r;
  const done = answered ? besidesOf(weekdayOf(day), answered.besides, r.activities) : [];
  // a morning after something hard besides tells nothing of the exercises. Rule Besides 3
  const isTelling = answered !== null && confounding(part, done).length === 0;
  const pain = { painMax: r.pain_max ?? MOST_PAIN, usualPain: r.usual_pain };
  return {
    exerciseId: r.exercise_id,
    client: r.client_id,
    day,
    stoppedByPain: r.stopped,
    morning: !isTelling ? null : isSore({ day, morning: answered }, pain) ? "sore" : "well",
    best: best && {
      station: `${best[0]} ${best[1]}`,
      ...{ loadKg: best[2], reps: best[3], reserve: best[4] },
    },
  };
}

/** Where no limit was kept with the line, only the usual pain says what a flare is. */
const MOST_PAIN = 10;
