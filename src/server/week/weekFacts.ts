import "server-only";
import type { ByMuscle } from "@/core/schedule/balance";
import type { BlockQuestion, BlockSheet, WeekLoad } from "@/core/schedule/block/block";
import { kindOfSheet, USUAL_TIMES } from "@/core/schedule/block/sheetKind";
import { effectiveSets } from "@/core/sheet/schemes/effectiveSets";
import { daysAfter, daysBetween, mondayOf } from "@/core/units/days";
import { type Ctx, dayOf, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { pastLoads } from "../history/past";
import { setsDoneSince } from "../history/setsDone";
import { type SheetVersion, sheetsOf } from "../versions/sheets";
import { muscleCredits } from "./weekSets";
import type { Wishes } from "./wishes";

/** A sheet as the week plans it, with its name and place. */
export interface PlannableSheet extends BlockSheet {
  name: string;
  place: SheetVersion["place"];
  lines: number;
  /** work sets of one run, and seconds under tension */
  sets: number;
  tensionS: number;
  /** effective sets of one run by muscle group */
  byMuscle: ByMuscle;
  /** the angle of its first hold, where it is one */
  holdDeg: number | null;
}

const WEEK_DAYS = 7;
const WEEKS_BACK = 4;
/** Records may come in some days after they were done. */
const SETS_BACK_DAYS = 49;
const DAY_MS = 86_400_000;
const HARD_BACK_DAYS = 14;

/** The question of a block: sheets in force with what is wished, the client's days, and what was done before it. */
export async function weekFacts(
  ctx: Ctx,
  client: ClientEpisode,
  w: Wishes,
): Promise<{ question: BlockQuestion; sheets: PlannableSheet[]; setsDone: ByMuscle[]; setsBegun: ByMuscle }> {
  const credit = await muscleCredits(ctx);
  const sheets = (await sheetsOf(ctx, client.episodeId)).map((s): PlannableSheet => {
    const kept = s.lines.flatMap((l) => (l.kept ? [l.kept] : []));
    const kind = kindOfSheet(kept);
    const wish = w.wishes[s.sheetId] ?? USUAL_TIMES[kind];
    const hold = kept.find((l) => l.kind === "holds");
    return {
      id: s.sheetId,
      name: s.name,
      place: s.place,
      lines: s.lines.length,
      sets: kept.reduce((sum, l) => sum + l.sets.filter((x) => x.role === "work").length, 0),
      tensionS: kept.reduce((sum, l) => sum + l.sets.reduce((t, x) => t + x.tensionS, 0), 0),
      byMuscle: credit(kept.map((l) => ({ exerciseId: l.exerciseId, sets: effectiveSets(l) }))),
      holdDeg: hold?.fromDeg ?? null,
      kind,
      minutes: Math.ceil(s.seconds / 60),
      needsGym: s.place === "gym",
      times: wish.times,
      keepTimes: wish.keepTimes,
      hardReps: s.hardReps,
      kneecapChairS: s.kneecapChairS ?? 0,
    };
  });
  const loads = (await pastLoads(ctx, client.episodeId)).map((p) => ({
    on: daysAfter(today(ctx), -p.daysAgo),
    hardReps: p.hardReps,
    kneecapChairS: p.kneecapChairS,
  }));
  const within = (from: string, to: string): WeekLoad => {
    const own = loads.filter((l) => l.on >= from && l.on < to);
    return {
      hardReps: own.reduce((sum, l) => sum + l.hardReps, 0),
      kneecapChairS: own.reduce((sum, l) => sum + l.kneecapChairS, 0),
    };
  };
  const done = await setsDoneSince(
    ctx,
    client.episodeId,
    new Date(ctx.now.getTime() - SETS_BACK_DAYS * DAY_MS),
  );
  const setsWithin = (from: string, to: string): ByMuscle =>
    credit(done.filter((d) => d.on >= from && d.on < to));
  const oldest = [w.startsOn, ...loads.map((l) => l.on)].sort()[0] ?? w.startsOn;
  const weeks = Math.min(WEEKS_BACK, Math.ceil(daysBetween(mondayOf(oldest), w.startsOn) / WEEK_DAYS));
  const weeksBack = Array.from({ length: Math.max(0, weeks) }, (_, i) => {
    const from = daysAfter(w.startsOn, -WEEK_DAYS * (weeks - i));
    return { from, to: daysAfter(from, WEEK_DAYS) };
  });
  return {
    sheets,
    setsDone: weeksBack.map(({ from, to }) => setsWithin(from, to)),
    setsBegun: setsWithin(w.startsOn, daysAfter(w.startsOn, WEEK_DAYS)),
    question: {
      startsOn: w.startsOn,
      notBefore: today(ctx),
      buildWeeks: w.buildWeeks,
      keepWeeks: w.keepWeeks,
      sheets,
      minutes: w.minutes,
      gym: w.gym,
      away: w.away,
      hardDone: await hardDays(ctx, client.episodeId),
      weeksDone: weeksBack.map(({ from, to }) => within(from, to)),
      begun: within(w.startsOn, daysAfter(w.startsOn, WEEK_DAYS)),
    },
  };
}

/** Days of the last two weeks on which hard leg work was done, today's too. */
export async function hardDays(ctx: Ctx, episodeId: string): Promise<BlockQuestion["hardDone"]> {
  const since = new Date(ctx.now.getTime() - HARD_BACK_DAYS * 86_400_000);
  const rows = await ctx.tx`
    select v.started_at, bool_or(l.scheme_kind = 'accumulated') as accumulated
    from visit v join sheet_line l on l.version_id = v.version_id
    where v.episode_id = ${episodeId} and v.received_at > ${since}
      and (l.scheme_kind = 'accumulated' or (l.kept ->> 'hardReps')::numeric > 0)
      and exists (select 1 from set_record r where r.visit_id = v.id and r.line_id = l.line_id and not r.is_voided)
    group by v.id, v.started_at`;
  const byDay = new Map<string, boolean>();
  for (const r of rows) {
    const day = dayOf(ctx, r.started_at);
    byDay.set(day, (byDay.get(day) ?? false) || r.accumulated);
  }
  return [...byDay].map(([on, isAccumulated]) => ({ on, isAccumulated }));
}
