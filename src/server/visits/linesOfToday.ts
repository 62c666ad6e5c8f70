import "server-only";
import type { Muscle } from "@/core/schedule/balance";
import { spareNext } from "@/core/schedule/soreness";
import { aidKey } from "@/core/selection/setUp/aid";
import { withinEdge } from "@/core/sheet/draft/atEdge";
import { shortForm, shortSeconds } from "@/core/sheet/draft/shortForm";
import { sparedForm } from "@/core/sheet/draft/sparedForm";
import { thinForm } from "@/core/sheet/draft/thinForm";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import { keptToday } from "@/core/sheet/judge/keptToday";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { thinUntil } from "@/core/story/goalDates";
import { offersAreOpen } from "@/core/visit/between/offersAreOpen";
import { askedIn } from "@/core/visit/watched/elsewhere";
import { watchedFaults } from "@/core/visit/watched/seen";
import { type Ctx, today } from "../base/context";
import { painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { practiceFor } from "../client/stances";
import { storyOf } from "../client/story";
import { contextOfSheet } from "../facts/sheetFacts";
import { careOf } from "../facts/strength";
import { plannedAid } from "../history/aids";
import { faultsSeenLast } from "../history/faultsSeen";
import { regionsOf } from "../history/regions";
import { lastSoreness } from "../history/soreness";
import { recentVisits } from "../history/visits";
import type { SheetVersion } from "../versions/sheets";
import { blockOf } from "../week/blocks";
import { muscleCredits, shortForOf } from "../week/weekSets";

/** The lines of a version as they are run today: what was kept, under the pain limit and the bounds of the load of the day. */
export async function linesOfToday(
  ctx: Ctx,
  client: ClientEpisode,
  sheet: SheetVersion,
): Promise<KeptLine[]> {
  const most = await painMaxFor(ctx, client);
  const judged = judgeScore(
    sheet.lines.map((l) => l.plan),
    await contextOfSheet(ctx, client, sheet),
  );
  const mayRise = offersAreOpen(await recentVisits(ctx, client.episodeId), {
    today: today(ctx),
    isStrict: careOf(client) === "strict",
    painMax: most,
    usualPain: client.usualPain,
  });
  const lines = sheet.lines.flatMap((l, i) => {
    if (!l.kept) return [];
    const kept = keptToday(l.kept, judged[i]);
    return [
      { ...kept, painMax: Math.min(l.kept.painMax, most), offers: mayRise ? (kept.offers ?? null) : null },
    ];
  });
  const { exerciseOf } = await muscleCredits(ctx);
  const form = await formOfToday(ctx, client, sheet, lines);
  const seenOf = await faultsSeenLast(ctx, client.episodeId);
  const conditionIds = (await conditionsOf(ctx, client.episodeId)).map((c) => c.condition.id);
  const followed = await regionsOf(ctx, client.episodeId);
  const { foot } = await practiceFor(ctx, client.episodeId);
  const aidOf = await aidOfLine(ctx, client, sheet);
  return withinEdge(form.lines, exerciseOf, await shortForOf(ctx, client)).map((l) => {
    const e = exerciseOf(l.exerciseId);
    return e
      ? {
          ...{ ...l, faults: watchedFaults(e, conditionIds, seenOf(l), foot) },
          ...{ regions: askedIn(e, followed, client), ...aidOf(l) },
        }
      : l;
  });
}

/** What is worn and held in a line as planned, and what would be set without it. Rules Aid 1, Aid 2. */
async function aidOfLine(
  ctx: Ctx,
  client: ClientEpisode,
  sheet: SheetVersion,
): Promise<(l: KeptLine) => Pick<KeptLine, "aid" | "bare">> {
  const aidOf = await plannedAid(ctx, client.episodeId);
  const { sheet: input, ...rest } = await contextOfSheet(ctx, client, sheet);
  const { aids: _aids, ...unhelped } = input;
  const plain = { ...rest, sheet: unhelped };
  return (l) => {
    const plan = sheet.lines.find((x) => x.plan.lineId === l.lineId)?.plan;
    const last = aidOf(l.exerciseId);
    const aid = { ...last, help: plan?.help ?? last.help };
    if (aidKey(aid) === "") return { aid };
    const [judged] = plan ? judgeScore([{ ...plan, help: null, sharesRests: false }], plain) : [];
    const set = judged?.load?.setting;
    return { aid, bare: set ? { loadKg: set.load, how: set.how } : null };
  };
}

/** What a sheet is run as today, and why it is less than the whole. */
interface TodaysForm {
  lines: KeptLine[];
  /** the week plans its short form. Rule W2 */
  isShort: boolean;
  /** the date of a goal within the week: until then half the sets are done. Rule "Goal date" */
  thinUntil: string | null;
  /** muscle groups that were very sore after the last visit: they get a set less. Rule Sore 2 */
  sore: readonly Muscle[] | null;
}

async function formOfToday(
  ctx: Ctx,
  client: ClientEpisode,
  sheet: SheetVersion,
  lines: readonly KeptLine[],
): Promise<TodaysForm> {
  const { exerciseOf } = await muscleCredits(ctx);
  const isPlannedShort = await isShortToday(ctx, client.episodeId, sheet.sheetId);
  const short = isPlannedShort ? shortForm(lines, exerciseOf, await shortForOf(ctx, client)) : null;
  const whole = short ?? [...lines];
  const until = thinUntil((await storyOf(ctx, client)).goals, today(ctx));
  // half of all sets is less already
  const sore = until ? null : await soreNow(ctx, client);
  return {
    lines: until ? thinForm(whole) : sore ? sparedForm(whole, exerciseOf, sore) : whole,
    ...{ isShort: short !== null, thinUntil: until, sore },
  };
}

/** How many lines a sheet runs today, what they take, and why it is less than the whole. */
export async function sheetToday(
  ctx: Ctx,
  client: ClientEpisode,
  sheet: SheetVersion,
): Promise<Omit<TodaysForm, "lines"> & { lines: number; minutes: number }> {
  const whole = sheet.lines.flatMap((l) => (l.kept ? [l.kept] : []));
  const { lines, ...why } = await formOfToday(ctx, client, sheet, whole);
  const isLess = why.isShort || why.thinUntil !== null || why.sore !== null;
  const seconds = isLess ? shortSeconds(whole, lines, sheet.seconds) : sheet.seconds;
  return {
    ...why,
    lines: why.isShort ? lines.length : sheet.lines.length,
    minutes: Math.ceil(seconds / 60),
  };
}

async function soreNow(ctx: Ctx, client: ClientEpisode): Promise<readonly Muscle[] | null> {
  const { soreUpTo } = await practiceFor(ctx, client.episodeId);
  return spareNext(await lastSoreness(ctx, client.episodeId), soreUpTo);
}

async function isShortToday(ctx: Ctx, episodeId: string, sheetId: string): Promise<boolean> {
  const block = await blockOf(ctx, episodeId);
  return block?.days.some((d) => d.on === today(ctx) && d.sheetId === sheetId && d.isShort) ?? false;
}
