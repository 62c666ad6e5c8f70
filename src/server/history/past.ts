import "server-only";
import type { LinePast } from "@/core/decision/inputOf";
import { bankedIn, linePast } from "@/core/decision/linePast";
import type { TimedHold } from "@/core/isometrics/personalFactor";
import type { PastLoad } from "@/core/schedule/kneecapWeek";
import { keptLine } from "@/core/sheet/line/keptLine";
import { daysBetween } from "@/core/units/days";
import { lineDone } from "@/core/visit/lineDone";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, today } from "../base/context";
import { untilChanged } from "../base/untilChanged";
import { recordsOf, stands } from "./records";

const DAY_MS = 86_400_000;
const before = (at: Date, days: number): Date => new Date(at.getTime() - days * DAY_MS);

const WEEKS_KEPT_DAYS = 42;

/** What a visit gave of what its lines were planned to: the share of the planned work that records show, at most half more. */
interface WorkDone {
  visitId: string;
  startedAt: Date;
  kneecapChairS: number;
  hardReps: number;
}

const MOST_SHARE = 1.5;

/** Kneecap load and hard repetitions of every visit that was received since; null: of all of the episode. */
export async function workOfVisits(ctx: Ctx, episodeId: string, since: Date | null): Promise<WorkDone[]> {
  const rows = await ctx.tx`
    with run as materialized (
      select id, version_id, started_at, received_at from visit
      where episode_id = ${episodeId} and (${since}::timestamptz is null or received_at > ${since})),
    plan as materialized (
      select l.version_id, l.line_id, (l.kept ->> 'kneecapChairS')::numeric as chair, (l.kept ->> 'hardReps')::numeric as hard,
        (select coalesce(sum(coalesce((s ->> 'reps')::numeric, (s ->> 'tensionS')::numeric)
            * case when l.kept ->> 'legs' in ('in_turns', 'one_after_other') then 2 else 1 end), 0)
          from jsonb_array_elements(l.kept -> 'sets') s) as planned
      from sheet_line l where l.version_id in (select version_id from run) and l.kept is not null),
    done as materialized (
      select r.visit_id, r.line_id, sum(coalesce(r.reps, r.worked_s)) as done from set_record r
      where r.visit_id in (select id from run) and ${stands(ctx)} group by r.visit_id, r.line_id)
    select run.id, run.started_at, sum(chair * least(${MOST_SHARE}, coalesce(done, 0) / planned)) as chair,
      sum(hard * least(${MOST_SHARE}, coalesce(done, 0) / planned)) as hard
    from run join plan on plan.version_id = run.version_id and plan.planned > 0
      left join done on done.visit_id = run.id and done.line_id = plan.line_id
    group by run.id, run.started_at, run.received_at order by run.received_at, run.id`;
  return rows.map((r) => ({
    visitId: r.id,
    startedAt: r.started_at,
    kneecapChairS: r.chair,
    hardReps: r.hard,
  }));
}

const keptLoads = untilChanged<PastLoad[]>("past loads", 240);

/** The kneecap's by day for the last weeks. Today is left out: it is what is being planned. */
export const pastLoads = (ctx: Ctx, episodeId: string): Promise<PastLoad[]> =>
  keptLoads(ctx, episodeId, async () => {
    const byDay = new Map<string, number>();
    for (const v of await workOfVisits(ctx, episodeId, before(ctx.now, WEEKS_KEPT_DAYS))) {
      const day = dayOf(ctx, v.startedAt);
      if (day === today(ctx)) continue;
      byDay.set(day, (byDay.get(day) ?? 0) + v.kneecapChairS);
    }
    return [...byDay].map(([day, kneecapChairS]) => ({
      daysAgo: daysBetween(day, today(ctx)),
      kneecapChairS,
    }));
  });

/** Days since a line first had so many repetitions, which only go down; 0: it never had. */
export async function daysOfReps(ctx: Ctx, lineId: string, reps: number): Promise<number> {
  const [r] = await ctx.tx<{ since: Date | null }[]>`
    select min(w.made_at) as since from sheet_line l join sheet_version w on w.id = l.version_id
    where l.line_id = ${lineId} and (l.plan -> 'scheme' ->> 'reps')::numeric = ${reps}`;
  return r?.since ? daysBetween(dayOf(ctx, r.since), today(ctx)) : 0;
}

const keptDays = untilChanged<number>("days run", 240);

/** On how many days something was run to its end, counted no further than `most`. */
export const visitsDone = (ctx: Ctx, episodeId: string, most: number): Promise<number> =>
  keptDays(
    ctx,
    episodeId,
    async () => {
      const [r] = await ctx.tx`
        select count(*) as n from (
          select distinct (v.started_at at time zone ${ctx.actor.timeZone})::date from visit v
          join visit_end e on e.visit_id = v.id where v.episode_id = ${episodeId} limit ${most}) x`;
      return r?.n ?? 0;
    },
    String(most),
  );

const keptAccumulated = untilChanged<{ at: Date | null }>("accumulated", 240);

/** Whole days since the last set of an accumulated line was done, today not counted; null: never. */
export async function daysSinceAccumulated(ctx: Ctx, episodeId: string): Promise<number | null> {
  const { at } = await keptAccumulated(ctx, episodeId, async () => {
    const [r] = await ctx.tx<{ at: Date | null }[]>`
      select max(v.started_at) as at from visit v
      join sheet_line l on l.version_id = v.version_id and l.scheme_kind = 'accumulated'
      where v.episode_id = ${episodeId} and exists (
        select 1 from set_record r where r.visit_id = v.id and r.line_id = l.line_id and ${stands(ctx)})`;
    return { at: r?.at ?? null };
  });
  return at ? daysBetween(dayOf(ctx, at), today(ctx)) : null;
}

const keptPain = untilChanged<{ worst: number | null }>("worst pain", 240);

/** The worst joint pain of the last visit: before it, in any set, at its end; null: none is known. */
export async function lastWorstPain(ctx: Ctx, episodeId: string): Promise<number | null> {
  const { worst } = await keptPain(ctx, episodeId, async () => {
    const [r] = await ctx.tx<{ worst: number | null }[]>`
      with last as (
        select v.id, e.pain_at_start, e.pain_at_end from visit v join visit_end e on e.visit_id = v.id
        where v.episode_id = ${episodeId} order by v.received_at desc, v.id limit 1)
      select greatest(
        (select max(r.pain) from set_record r where ${stands(ctx)} and r.visit_id = (select id from last)),
        (select pain_at_start from last), (select pain_at_end from last)) as worst`;
    return { worst: r?.worst ?? null };
  });
  return worst;
}

const TIMED = 20;

const keptHolds = untilChanged<TimedHold[]>("timed holds", 240);

/** First holds that ended because the muscle gave out: they tell how long this person holds. The newest twenty. */
export const timedHolds = (ctx: Ctx, episodeId: string): Promise<TimedHold[]> =>
  keptHolds(ctx, episodeId, async () => {
    const rows = await ctx.tx`
      select r.worked_s, (l.kept ->> 'share')::numeric as share
      from visit v join set_record r on r.visit_id = v.id
      join sheet_line l on l.version_id = v.version_id and l.line_id = r.line_id
      where v.episode_id = ${episodeId} and r.early = 'muscle' and r.set_no = 1 and r.bout_no = 1
        and l.scheme_kind = 'holds' and l.kept ->> 'share' is not null and r.exercise_id = l.exercise_id
        and ${stands(ctx)}
      order by v.received_at desc limit ${TIMED}`;
    return rows.map((r) => ({ shareOfMax: r.share, heldS: r.worked_s }));
  });

const DECISIONS_BACK = 12;
const TREND_DAYS = 14;

/** Good visits of a line on the step it is on now. */
export async function bankedNow(ctx: Ctx, episodeId: string, lineId: string): Promise<number> {
  return bankedIn(
    await ctx.tx`
      select d.action, d.banks from decision d join visit v on v.id = d.visit_id
      where d.line_id = ${lineId} and v.episode_id = ${episodeId}
      order by v.received_at desc, d.decided_at desc limit ${DECISIONS_BACK}`,
  );
}

/** What a line brings along from before a visit: its bank, its last decision, its last result, its pain by weeks. */
export async function pastOf(
  ctx: Ctx,
  lineId: string,
  visit: { id: string; startedAt: Date; worst: number | null },
): Promise<LinePast> {
  const key = `${visit.id} ${lineId}`;
  const pairs = (keys: readonly string[]) => ctx.tx`(
    select now.id, now.episode_id, now.started_at, k.line_id, k.key
    from unnest(${keys}::text[], ${keys.map((x) => x.split(" ")[0] ?? "")}::uuid[],
      ${keys.map((x) => x.split(" ")[1] ?? "")}::uuid[]) as k(key, visit_id, line_id)
    join visit now on now.id = k.visit_id) k`;
  const askDecided = rowsOf(
    ctx,
    "decided before",
    key,
    (keys) => ctx.tx`
      select k.key as of, x.* from ${pairs(keys)}, lateral (
        select d.action, d.banks from decision d join visit v on v.id = d.visit_id
        where (d.line_id = k.line_id or (d.line_id is null and exists (
            select 1 from sheet_line l where l.version_id = v.version_id and l.line_id = k.line_id)))
          and v.episode_id = k.episode_id and v.id <> k.id and v.started_at <= k.started_at
        order by v.received_at desc, d.decided_at desc limit ${DECISIONS_BACK}) x`,
  );
  const askEarlier = rowsOf(
    ctx,
    "done before",
    key,
    (keys) => ctx.tx`
      select k.key as of, v.id, v.started_at, l.kept from ${pairs(keys)}
      join visit v on v.episode_id = k.episode_id and v.id <> k.id and v.started_at <= k.started_at
        and v.started_at > k.started_at - make_interval(days => ${TREND_DAYS})
      join sheet_line l on l.version_id = v.version_id and l.line_id = k.line_id
      join visit_end e on e.visit_id = v.id
      order by v.received_at desc`,
  );
  const [decided, earlier] = await Promise.all([askDecided, askEarlier]);
  const done = await Promise.all(
    earlier.map(async (r) =>
      r.kept === null ? null : lineDone(keptLine.parse(r.kept), await recordsOf(ctx, r.id)),
    ),
  );
  const days = (at: Date) => daysBetween(dayOf(ctx, at), dayOf(ctx, visit.startedAt));
  return linePast(
    decided as unknown as Parameters<typeof linePast>[0],
    earlier.map((r, i) => ({ daysAgo: days(r.started_at), done: done[i] ?? null })),
    visit.worst,
  );
}
