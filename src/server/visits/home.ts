import "server-only";
import type { z } from "zod";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { Side } from "@/core/units/fields";
import type { MassUnit } from "@/core/units/mass";
import type { Said } from "@/core/units/said";
import type { homeStart } from "@/core/visit/client/homeInput";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import type { entryInput } from "@/core/visit/visitInput";
import { audit } from "../base/audit";
import { type Ctx, dayOf, mustMay, today } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, Refused } from "../base/refused";
import { clinicTime } from "../base/tabletTime";
import { painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { kneeBarred } from "../decide/kneeDay";
import { recheckAsk, writeRecheck } from "../decide/rechecks";
import { recentVisits, type VisitHead } from "../history/visits";
import type { OpenLink } from "../links/open";
import { sheetsOf } from "../versions/sheets";
import { isRestDay } from "../week/restDay";
import { dayBarred, floorBarred } from "./floor";
import { linesOfToday } from "./linesOfToday";
import { firstSideOf, logEvent, openVisit, type RunningVisit, startVisit } from "./running";

/** What a link for home shows: all that the phone needs to run the sheet without a network. */
export interface HomeSheet {
  name: string;
  sheetId: string;
  versionId: string;
  lines: KeptLine[];
  firstSide: Side;
  minutes: number;
  painMax: number;
  signs: readonly RecheckSign[];
  /** nothing was done before */
  isFirst: boolean;
  /** why nothing is done today, or null */
  barred: string | null;
  /** hard leg work was done too lately: a day of rest */
  isRest: boolean;
  /** it was done today already, without trouble */
  isDone: boolean;
  /** a visit of this sheet that was begun behind the link */
  open: RunningVisit | null;
  /** as whoever made the link reads masses */
  massUnit: MassUnit;
}

const GONE: Said = { code: "link.gone" };

/** A sheet for home is done once a day. */
const isDoneToday = (ctx: Ctx, visits: readonly VisitHead[], sheetId: string): boolean =>
  visits.some((v) => v.sheetId === sheetId && v.end && dayOf(ctx, v.startedAt) === today(ctx));

async function massUnitOf(ctx: Ctx, linkId: string): Promise<MassUnit> {
  const [r] = await ctx.tx`
    select p.mass_unit from client_link l join person p on p.id = l.made_by where l.id = ${linkId}`;
  return r?.mass_unit === "lb" ? "lb" : "kg";
}

/** The newest version of the link's sheet, as it is run today. */
export async function homeSheet(ctx: Ctx, client: ClientEpisode, link: OpenLink): Promise<HomeSheet> {
  const sheet = (await sheetsOf(ctx, client.episodeId)).find((s) => s.sheetId === link.sheetId);
  if (!sheet) throw new Refused("missing", GONE);
  const open = await openVisit(ctx, client.episodeId);
  const own = open && open.versionId === sheet.id ? open : null;
  const visits = await recentVisits(ctx, client.episodeId);
  const ask = await recheckAsk(ctx, client);
  return {
    name: sheet.name,
    sheetId: sheet.sheetId,
    versionId: sheet.id,
    lines: await linesOfToday(ctx, client, sheet),
    firstSide: await firstSideOf(ctx, client),
    minutes: Math.ceil(sheet.seconds / 60),
    painMax: await painMaxFor(ctx, client),
    signs: ask.signs,
    isFirst: ask.isFirst,
    barred: own ? null : await floorBarred(ctx, client, sheet),
    isRest: own === null && (await isRestDay(ctx, client.episodeId, sheet)),
    // after a stop or a sore knee the clinic has to be heard first: that is not "done"
    isDone:
      isDoneToday(ctx, visits, sheet.sheetId) &&
      ((await dayBarred(ctx, client)) ?? (await kneeBarred(ctx, client))) === null,
    open: own,
    massUnit: await massUnitOf(ctx, link.id),
  };
}

/** Answers the warning signs and begins, in one: sent late, it counts for when it was done. Sent twice it is one. */
export async function startHome(
  ctx: Ctx,
  client: ClientEpisode,
  link: OpenLink,
  input: z.infer<typeof homeStart>,
): Promise<void> {
  mustMay(ctx, "home.run");
  await lockEpisode(ctx, client.episodeId);
  // sent late, it is looked at as of when it was done
  const then: Ctx = { ...ctx, now: clinicTime(ctx, new Date(input.at)) };
  const [known] = await ctx.tx`select 1 from recheck where id = ${input.recheckId}`;
  if (!known) await writeRecheck(then, client, { id: input.recheckId, signs: input.signs, visitId: null });
  if (!input.visit) return;
  const { id, versionId } = input.visit;
  const [own] =
    await ctx.tx`select 1 from sheet_version where id = ${versionId} and sheet_id = ${link.sheetId}`;
  if (!own) throw new Refused("missing", GONE);
  // what was begun before is only sent again; anything else is a new beginning, whatever was answered before it
  const [begun] = await ctx.tx`select 1 from visit where id = ${id}`;
  const sheet = (await sheetsOf(ctx, client.episodeId)).find((s) => s.sheetId === link.sheetId);
  if (!begun && sheet && isDoneToday(then, await recentVisits(ctx, client.episodeId), sheet.sheetId))
    throw attempted(
      "home.again",
      new Refused("conflict", "This was done today already; once a day was planned."),
    );
  if (!begun && sheet && (await isRestDay(then, client.episodeId, sheet)))
    throw attempted("home.rest", new Refused("conflict", "Today is a day of rest after hard leg work."));
  if (input.isHandedOver)
    await audit(ctx, "home.handed_over", "visit", id, null, { from: "an earlier link of the same sheet" });
  const start = { id, versionId, recheckId: input.recheckId, startedAt: input.at };
  await startVisit(ctx, client, start, known === undefined);
}

/** One entry of a visit that was begun behind this link; what staff run is not touched from here. */
export async function logHome(
  ctx: Ctx,
  link: OpenLink,
  visitId: string,
  input: z.infer<typeof entryInput>,
): Promise<void> {
  mustMay(ctx, "home.run");
  const [own] = await ctx.tx`
    select 1 from visit v join sheet_version w on w.id = v.version_id
    where v.id = ${visitId} and w.sheet_id = ${link.sheetId} and v.started_by = ${ctx.actor.personId}`;
  if (!own) throw new Refused("missing", "This visit is not known at the clinic yet; it will be sent again.");
  if (
    input.entry.type === "swap" ||
    input.entry.type === "take" ||
    input.entry.type === "stay" ||
    input.entry.type === "add-set" ||
    input.entry.type === "correct"
  )
    throw new Refused("forbidden", "At home the sheet is done as it stands. Ask the clinic.");
  await logEvent(ctx, visitId, input);
}
