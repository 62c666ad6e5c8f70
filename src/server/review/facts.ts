import "server-only";
import { courseOf, coursePoint } from "@/core/decision/lineCourse";
import type { Decided, LineWay, PlannedRun, ReviewFacts, ReviewVisit } from "@/core/review/facts";
import { packed } from "@/core/review/packed";
import { conditionById } from "@/core/rules/conditions";
import { besidesOf } from "@/core/schedule/activity";
import { type KeptLine, keptLine } from "@/core/sheet/line/keptLine";
import { confounding } from "@/core/story/besides";
import { partOf } from "@/core/story/part";
import { ageYearsOn, weekdayOf } from "@/core/units/days";
import type { PainAt, PainRegion } from "@/core/units/painRegion";
import { standing } from "@/core/visit/setRecord";
import { worstElsewhere } from "@/core/visit/watched/elsewhere";
import { type Ctx, dayOf } from "../base/context";
import { untilChanged } from "../base/untilChanged";
import { conditionsOf } from "../client/conditions";
import { activitiesOf } from "../history/besides";
import { workOfVisits } from "../history/past";
import { recordsOf } from "../history/records";
import { goalNeeds } from "../measure/goalNeeds";
import { testsOf } from "../measure/measurements";
import { measurementsOf } from "../measure/otherMeasurements";
import { bandsOf } from "./bands";
import { costsOf, legOf } from "./costs";
import type { PastEpisode } from "./episode";

const kept = untilChanged<string>("review", 60);

/** The same as the text it travels as. */
export const packedFactsOf = (ctx: Ctx, e: PastEpisode): Promise<string> =>
  kept(ctx, e.episodeId, async () => packed(await reviewFactsOf(ctx, e)));

/** All that an episode led to, for the time line: one question to the database for each kind of thing. */
export async function reviewFactsOf(ctx: Ctx, e: PastEpisode): Promise<ReviewFacts> {
  const tests = await testsOf(ctx, e.episodeId);
  const [bands, measurements, { visits, lines }, decisions, planned, criterion] = await Promise.all([
    bandsOf(ctx, e),
    measurementsOf(ctx, e.episodeId),
    visitsAndLines(ctx, e),
    decisionsOf(ctx, e),
    plannedRuns(ctx, e),
    criterionOf(ctx, e),
  ]);
  const leg = await legOf(ctx, e);
  const days = [e.beganOn, ...visits.map((v) => v.on), ...tests.map((t) => t.takenOn)].sort();
  return {
    side: e.side,
    from: days[0] ?? e.beganOn,
    to: e.endsOn,
    bands,
    visits,
    lines,
    strength: tests,
    can: { knee_extension: leg.strength.extension.moved, knee_flexion: leg.strength.flexion.moved },
    criterion,
    measurements,
    needs: await goalNeeds(ctx, { ...e, ageYears: ageYearsOn(e.endsOn, e.birthYear) }),
    costs: await costsOf(ctx, e, leg),
    planned,
    decisions,
  };
}

interface RunLine {
  kept: KeptLine;
  ladderOf: string | null;
}

/** Lines of every version that was run in the episode, by version. */
async function linesOfVersions(ctx: Ctx, e: PastEpisode): Promise<Map<string, RunLine[]>> {
  const rows = await ctx.tx`
    select l.version_id, l.kept, l.plan -> 'ladder' ->> 'of' as ladder_of from sheet_line l
    where l.kept is not null and l.version_id in (select version_id from visit where episode_id = ${e.episodeId})
    order by l.version_id, l.seq`;
  const found = new Map<string, RunLine[]>();
  for (const r of rows) {
    const line = { kept: keptLine.parse(r.kept), ladderOf: r.ladder_of };
    const lines = found.get(r.version_id);
    if (lines) lines.push(line);
    else found.set(r.version_id, [line]);
  }
  return found;
}

async function visitsAndLines(
  ctx: Ctx,
  e: PastEpisode,
): Promise<{ visits: ReviewVisit[]; lines: LineWay[] }> {
  const rows = await ctx.tx`
    select v.id, v.started_at, v.version_id, v.place, s.name as sheet, d.pain_at_start, d.pain_at_end, d.stopped, d.markers, d.effort, m.pain,
      m.swelling, m.besides, coalesce(m.regions, '[]') as regions
    from visit v join visit_end d on d.visit_id = v.id join sheet_version w on w.id = v.version_id
    join sheet s on s.id = w.sheet_id
    left join lateral (select * from response where visit_id = v.id order by answered_at desc, id limit 1) m on true
    where v.episode_id = ${e.episodeId} order by v.received_at, v.id`;
  const regular = await activitiesOf(ctx, e.episodeId);
  const part = partOf((await conditionsOf(ctx, e.episodeId)).map((c) => c.condition.main_region));
  const linesOf = await linesOfVersions(ctx, e);
  const work = new Map((await workOfVisits(ctx, e.episodeId, null)).map((w) => [w.visitId, w]));
  const records = await Promise.all(rows.map((r) => recordsOf(ctx, r.id)));
  const ways = new Map<string, LineWay>();
  // what climbs on a line, and its name, are said by its newest plan
  for (const r of rows)
    for (const { kept, ladderOf } of linesOf.get(r.version_id) ?? [])
      ways.set(kept.lineId, {
        lineId: kept.lineId,
        name: kept.name,
        of: courseOf(kept, ladderOf),
        points: [],
      });
  const visits = rows.map((r, i): ReviewVisit => {
    const on = dayOf(ctx, r.started_at);
    const lines = linesOf.get(r.version_id) ?? [];
    const own = standing(records[i] ?? []);
    for (const { kept } of lines) {
      const way = ways.get(kept.lineId);
      const ofLine = own.filter((x) => x.lineId === kept.lineId);
      way?.points.push(coursePoint(way.of, on, kept, ofLine));
    }
    const pains = own.map((x) => x.pain);
    return {
      id: r.id,
      on,
      sheet: r.sheet,
      place: r.place,
      painBefore: r.pain_at_start,
      painAfter: r.pain_at_end,
      painWorst: pains.length > 0 ? Math.max(...pains) : null,
      painMax: lines[0]?.kept.painMax ?? null,
      morning: r.pain,
      swelling: r.swelling,
      besides: confounding(part, besidesOf(weekdayOf(on), r.besides, regular)).map((a) => a.what),
      stopped: r.stopped,
      markers: r.markers,
      effort: r.effort,
      regions: regionsIn(worstElsewhere(own), r.regions),
      hardReps: work.get(r.id)?.hardReps ?? 0,
      kneecapChairS: work.get(r.id)?.kneecapChairS ?? 0,
    };
  });
  return { visits, lines: [...ways.values()] };
}

async function decisionsOf(ctx: Ctx, e: PastEpisode): Promise<Decided[]> {
  const rows = await ctx.tx`
    select v.started_at, d.line_id, d.action, d.computed_action, d.sentence, d.override_reason, d.by_order_of, p.name,
      l.kept ->> 'name' as line
    from decision d join visit v on v.id = d.visit_id join person p on p.id = d.decided_by
    left join sheet_line l on l.version_id = v.version_id and l.line_id = d.line_id
    where v.episode_id = ${e.episodeId} order by v.received_at, d.decided_at, l.seq`;
  return rows.map((r) => ({
    on: dayOf(ctx, r.started_at),
    lineId: r.line_id,
    line: r.line ?? (r.line_id === null ? "all lines" : "a line"),
    action: r.action,
    computed: r.computed_action,
    sentence: r.sentence,
    reason: r.override_reason,
    by: r.by_order_of ? `standing order of ${r.by_order_of}` : r.name,
  }));
}

/** Days of blocks that are over, each of the block that was in force on it; today and what is to come are left out. */
async function plannedRuns(ctx: Ctx, e: PastEpisode): Promise<PlannedRun[]> {
  const rows = await ctx.tx`
    with made as (
      select b.id, b.made_at, lead(b.made_at) over (order by b.made_at, b.id) as until from block b
      where b.episode_id = ${e.episodeId})
    select to_char(d.on_day, 'YYYY-MM-DD') as on_day, d.sheet_id, s.name, exists (
        select 1 from visit v join sheet_version w on w.id = v.version_id join visit_end x on x.visit_id = v.id
        where w.sheet_id = d.sheet_id and (v.started_at at time zone ${ctx.actor.timeZone})::date = d.on_day) as done
    from made m join block_day d on d.block_id = m.id join sheet s on s.id = d.sheet_id
    where d.on_day >= (m.made_at at time zone ${ctx.actor.timeZone})::date
      and (m.until is null or d.on_day < (m.until at time zone ${ctx.actor.timeZone})::date)
      and d.on_day < (${ctx.now} at time zone ${ctx.actor.timeZone})::date
    order by d.on_day, s.name`;
  return rows.map((r) => ({ on: r.on_day, sheetId: r.sheet_id, sheet: r.name, wasDone: r.done }));
}

/** The symmetry that the present phases ask for before the next; the highest where there are several. */
async function criterionOf(ctx: Ctx, e: PastEpisode): Promise<ReviewFacts["criterion"]> {
  const rows = await ctx.tx`
    select condition_id, phase_id from episode_condition where episode_id = ${e.episodeId} and ended_on is null`;
  const asked = rows.flatMap((r) => {
    const phase = conditionById(r.condition_id)?.phases.find((p) => p.id === r.phase_id);
    return phase ? [phase.exit_criteria] : [];
  });
  const most = (values: (number | null)[]): number | null => {
    const known = values.flatMap((v) => v ?? []);
    return known.length > 0 ? Math.max(...known) : null;
  };
  return {
    knee_extension: most(asked.map((c) => c.quad_symmetry_min_pct)),
    knee_flexion: most(asked.map((c) => c.hamstring_symmetry_min_pct)),
  };
}

/** What a visit and its morning said of each region. */
function regionsIn(worst: readonly PainAt[], morning: readonly PainAt[]): ReviewVisit["regions"] {
  const of = (all: readonly PainAt[], region: PainRegion) =>
    all.find((x) => x.region === region)?.pain ?? null;
  return [...new Set([...worst, ...morning].map((x) => x.region))].map((region) => ({
    ...{ region, worst: of(worst, region), morning: of(morning, region) },
  }));
}
