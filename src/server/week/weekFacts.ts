import "server-only";
import { hardBesides } from "@/core/schedule/activity";
import type { ByMuscle, Muscle } from "@/core/schedule/balance";
import type { BlockQuestion, BlockSheet, WeekLoad } from "@/core/schedule/block/block";
import { blockSheetOf } from "@/core/sheet/draft/blockSheet";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { daysAfter, daysBetween, mondayOf } from "@/core/units/days";
import { type Ctx, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { activitiesOf, besidesWithin } from "../history/besides";
import { pastLoads } from "../history/past";
import { MOST_DAYS_BACK, setsDoneWithin } from "../history/setsDone";
import { type SheetVersion, sheetsOf } from "../versions/sheets";
import { setGuardOf } from "./setGuard";
import { muscleCredits, shortForOf } from "./weekSets";
import type { Wishes } from "./wishes";

/** A sheet as the week plans it, with its name and place. */
export interface PlannableSheet extends BlockSheet {
  name: string;
  place: SheetVersion["place"];
  lines: number;
  /** work sets of one run, and seconds under tension */
  workSets: number;
  tensionS: number;
  /** of its sets, in the short form */
  shortShare: number;
  /** the angle of its first hold, where it is one */
  holdDeg: number | null;
}

const WEEK_DAYS = 7;
const WEEKS_BACK = 4;
/** Records may come in some days after they were done. */
const HARD_BACK_DAYS = 14;

/** The question of a block: sheets in force with what is wished, the client's days, and what was done before it. */
export async function weekFacts(
  ctx: Ctx,
  client: ClientEpisode,
  w: Wishes,
): Promise<{ question: BlockQuestion; sheets: PlannableSheet[] }> {
  const credits = await muscleCredits(ctx);
  const { credit } = credits;
  const who = await shortForOf(ctx, client);
  const sheets = (await sheetsOf(ctx, client.episodeId)).map((s): PlannableSheet => {
    const lines = s.lines.flatMap((l) => (l.kept ? [l.kept] : []));
    const kept = { id: s.sheetId, lines, seconds: s.seconds, needsGym: s.place === "gym" };
    const { sheet, short } = blockSheetOf(kept, w.wishes[s.sheetId] ?? null, credits, who);
    return {
      ...sheet,
      name: s.name,
      place: s.place,
      lines: s.lines.length,
      workSets: workSetsOf(lines),
      shortShare: short ? workSetsOf(short) / Math.max(1, workSetsOf(lines)) : 1,
      tensionS: lines.reduce((sum, l) => sum + l.sets.reduce((t, x) => t + x.tensionS, 0), 0),
      holdDeg: lines.find((l) => l.kind === "holds")?.fromDeg ?? null,
    };
  });
  const loads = (await pastLoads(ctx, client.episodeId)).map((p) => ({
    on: daysAfter(today(ctx), -p.daysAgo),
    kneecapChairS: p.kneecapChairS,
  }));
  const done = await setsDoneWithin(ctx, client.episodeId, MOST_DAYS_BACK);
  const setsWithin = (from: string, to: string): ByMuscle =>
    credit(
      done
        .filter((d) => d.on >= from && d.on < to)
        .map(({ exerciseId, base }) => ({ exerciseId, sets: base })),
    );
  const within = (from: string, to: string): WeekLoad => ({
    sets: setsWithin(from, to),
    kneecapChairS: loads
      .filter((l) => l.on >= from && l.on < to)
      .reduce((sum, l) => sum + l.kneecapChairS, 0),
  });
  const oldest = [w.startsOn, ...loads.map((l) => l.on)].sort()[0] ?? w.startsOn;
  const weeks = Math.min(WEEKS_BACK, Math.ceil(daysBetween(mondayOf(oldest), w.startsOn) / WEEK_DAYS));
  const weeksBack = Array.from({ length: Math.max(0, weeks) }, (_, i) => {
    const from = daysAfter(w.startsOn, -WEEK_DAYS * (weeks - i));
    return { from, to: daysAfter(from, WEEK_DAYS) };
  });
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
      activities: await activitiesOf(ctx, client.episodeId),
      weeksDone: weeksBack.map(({ from, to }) => within(from, to)),
      begun: within(w.startsOn, daysAfter(w.startsOn, WEEK_DAYS)),
      guard: await setGuardOf(ctx, client),
    },
  };
}

const workSetsOf = (lines: readonly KeptLine[]): number =>
  lines.reduce((sum, l) => sum + l.sets.filter((x) => x.role === "work").length, 0);

/**
 * Days of the last two weeks that were hard on the legs, today too, and for which muscle groups: by what was run, and by
 * what the client did besides. Rules W3, Besides 1.
 */
export async function hardDays(ctx: Ctx, episodeId: string): Promise<BlockQuestion["hardDone"]> {
  const { hard } = await muscleCredits(ctx);
  const byDay = new Map<string, { work: { exerciseId: string; sets: number }[]; isAccumulated: boolean }>();
  for (const d of await setsDoneWithin(ctx, episodeId, HARD_BACK_DAYS)) {
    if (d.kind === "holds") continue;
    const day = byDay.get(d.on) ?? { work: [], isAccumulated: false };
    day.work.push(d);
    byDay.set(d.on, { ...day, isAccumulated: day.isAccumulated || d.kind === "accumulated" });
  }
  const run = [...byDay].flatMap(([on, { work, isAccumulated }]) => {
    const muscles: Muscle[] = hard(work);
    return muscles.length > 0 || isAccumulated ? [{ on, isAccumulated, muscles }] : [];
  });
  const besides = await besidesWithin(ctx, episodeId, HARD_BACK_DAYS);
  const own = besides.flatMap(({ on, done }) => {
    const hard = hardBesides(done);
    return hard ? [{ on, isAccumulated: false, ...hard }] : [];
  });
  return [...run, ...own];
}
