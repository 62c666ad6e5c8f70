import "server-only";
import type { BlockQuestion, BlockSheet, WeekLoad } from "@/core/schedule/block/block";
import type { BlockKept } from "@/core/schedule/block/blockInput";
import { kindOfSheet, USUAL_TIMES } from "@/core/schedule/block/sheetKind";
import { daysAfter, daysBetween, mondayOf, weekdayOf } from "@/core/units/days";
import { type Ctx, dayOf, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import type { Story } from "../client/story";
import { pastLoads } from "../history/past";
import { type SheetVersion, sheetsOf } from "../versions/sheets";

/** A sheet as the week plans it, with its name and place. */
export interface PlannableSheet extends BlockSheet {
  name: string;
  place: SheetVersion["place"];
  lines: number;
  /** work sets of one run, and seconds under tension */
  sets: number;
  tensionS: number;
  /** the angle of its first hold, where it is one */
  holdDeg: number | null;
}

type Wishes = Pick<
  BlockKept,
  "startsOn" | "buildWeeks" | "keepWeeks" | "wishes" | "minutes" | "gym" | "away"
>;

const WEEK_DAYS = 7;
const WEEKS_BACK = 4;
const HARD_BACK_DAYS = 14;
/** Thursday on, counted from Monday as 0. */
const LATE_WEEKDAY = 2;

const ISO_DAYS = [1, 2, 3, 4, 5, 6, 7];
/** Minutes of a day on which somebody has time, until the week itself says how many. */
const FREE_MIN = 60;

/**
 * What holds until somebody keeps a week: the days that the story says there are, an hour each, at a gym unless the client
 * trains at home. Where nobody was asked: every day free, at the clinic on three.
 */
export const usualWishes = (
  ctx: Ctx,
  story: Pick<Story, "weekdays" | "trainsAt"> = { weekdays: [], trainsAt: null },
): Wishes => ({
  // late in a week the next one is the first
  startsOn: mondayOf(daysAfter(today(ctx), weekdayOf(today(ctx)) > LATE_WEEKDAY ? WEEK_DAYS : 0)),
  buildWeeks: 6,
  keepWeeks: 4,
  wishes: {},
  ...(story.weekdays.length === 0
    ? { minutes: [60, 60, 60, 60, 60, 30, 30], gym: [true, false, true, false, true, false, false] }
    : {
        minutes: ISO_DAYS.map((d) => (story.weekdays.includes(d) ? FREE_MIN : 0)),
        gym: ISO_DAYS.map((d) => story.weekdays.includes(d) && story.trainsAt !== "home"),
      }),
  away: [],
});

/** The question of a block: sheets in force with what is wished, the client's days, and what was done before it. */
export async function weekFacts(
  ctx: Ctx,
  client: ClientEpisode,
  w: Wishes,
): Promise<{ question: BlockQuestion; sheets: PlannableSheet[] }> {
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
  const oldest = [w.startsOn, ...loads.map((l) => l.on)].sort()[0] ?? w.startsOn;
  const weeks = Math.min(WEEKS_BACK, Math.ceil(daysBetween(mondayOf(oldest), w.startsOn) / WEEK_DAYS));
  return {
    sheets,
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
      weeksDone: Array.from({ length: Math.max(0, weeks) }, (_, i) => {
        const from = daysAfter(w.startsOn, -WEEK_DAYS * (weeks - i));
        return within(from, daysAfter(from, WEEK_DAYS));
      }),
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
