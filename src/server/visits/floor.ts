import "server-only";
import { judgeScore, standingBars } from "@/core/sheet/judge/judgeScore";
import { goneSentence } from "@/words/en/plan/line";
import { sayPlainly } from "@/words/say";
import type { Ctx } from "../base/context";
import { limitsBar } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { screeningStateOf } from "../client/screenings";
import { kneeBarred } from "../decide/kneeDay";
import { lastRecheck } from "../decide/rechecks";
import { returnBarred } from "../decide/returns";
import { contextOfSheet } from "../facts/sheetFacts";
import { isStopped, recentVisits, undecidedLines } from "../history/visits";
import { goneOf } from "../sheets/gone";
import type { SheetVersion } from "../versions/sheets";

/** Why no visit can start at all now, with what to do; null if one can. */
export async function dayBarred(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const last = await lastRecheck(ctx, client.episodeId);
  if (last && !last.isClear)
    return `A warning sign stands since ${last.by} noted it: ${last.what}. A therapist clears it with a reason, or refers.`;
  const screening = await screeningStateOf(ctx, client);
  if (screening.barsFloor) return sayPlainly(screening.barsFloor);
  return (await limitsBar(ctx, client)) ?? (await returnBarred(ctx, client));
}

/** Why a sheet cannot be run now, with what to do; null if it can. */
export async function floorBarred(
  ctx: Ctx,
  client: ClientEpisode,
  sheet: SheetVersion | null,
  /** a sheet is still to be chosen, or a visit is already under way */
  isLater = false,
): Promise<string | null> {
  const barred = await dayBarred(ctx, client);
  if (barred) return barred;
  if (!sheet && isLater) return null;
  if (!sheet) return "There is no sheet yet: a therapist plans one in Dose first.";
  if (sheet.lines.some((l) => l.kept === null))
    return "This sheet was saved before its figures were kept: a therapist opens it in Dose and saves it once.";
  const [gone] = await goneOf(ctx, client, [sheet]);
  if (gone) return goneSentence(gone);
  // limits may have become stricter since it was saved
  const outside = judgeScore(
    sheet.lines.map((l) => l.plan),
    await contextOfSheet(ctx, client, sheet),
  ).find((j) => standingBars(j).length > 0);
  if (outside)
    return `${outside.exercise?.name ?? "A line"} is outside today's limits, because of: ${sayPlainly(standingBars(outside)[0] ?? "")}. A therapist changes the sheet first.`;
  const sore = await kneeBarred(ctx, client);
  if (sore) return sore;
  const visits = await recentVisits(ctx, client.episodeId);
  if (visits.some((v) => v.sheetId === sheet.sheetId && undecidedLines(v).length > 0))
    return "The last visit of this sheet has no decision yet: a therapist decides it first.";
  return isStopped(visits, sheet)
    ? "The last decision was to stop and refer. Only a new version by a therapist starts this sheet again."
    : null;
}
