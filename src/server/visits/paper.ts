import "server-only";
import { randomUUID } from "node:crypto";
import { z } from "zod";
import { daysBetween } from "@/core/units/days";
import { painScore, uuid } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { logOfTicks } from "@/core/visit/client/ticked";
import { audit } from "../base/audit";
import { type Ctx, dayOf, mustMay, today } from "../base/context";
import { lockEpisode } from "../base/lock";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";
import { writeRecheck } from "../decide/rechecks";
import { recentVisits } from "../history/visits";
import { sheetsOf } from "../versions/sheets";
import { logEvent, openVisit, startVisit } from "./running";

export const ticksEntered = z.object({
  id: uuid,
  sheetId: uuid,
  on: z.iso.date({ error: "input.choose_day" }),
  lineIds: z.array(uuid).min(1, { error: "input.tick_done" }).max(16),
  pain: painScore,
  painAtEnd: painScore,
});

/** Paper is brought along within this many days. */
const PAPER_DAYS = 14;
const NOON_HOUR = 12;

/**
 * Enters the ticks of one day from a client's paper: a visit of that day as planned, through the same log as every other
 * one, with a note that it came from paper. A day is entered once, no later day before an earlier one is decided.
 */
export async function enterTicks(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof ticksEntered>,
): Promise<void> {
  mustMay(ctx, "session.run");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "ticks", client.episodeId, input)) return;
  const ago = daysBetween(input.on, today(ctx));
  if (ago < 0 || ago > PAPER_DAYS) throw new InputError("on", `Choose a day of the last ${PAPER_DAYS} days.`);
  const sheet = (await sheetsOf(ctx, client.episodeId)).find((s) => s.sheetId === input.sheetId);
  if (!sheet) throw new Refused("missing", "This sheet is not in use any more. Reload the page.");
  const visits = await recentVisits(ctx, client.episodeId);
  if (visits.some((v) => v.sheetId === input.sheetId && dayOf(ctx, v.startedAt) === input.on))
    throw new InputError("on", "This day is entered already: choose another one.");
  if (visits.some((v) => v.sheetId === input.sheetId && dayOf(ctx, v.startedAt) > input.on))
    throw new InputError("on", "A later day is known already: enter days in their order.");
  const [r] = await ctx.tx`
    select (${input.on}::date + make_interval(hours => ${NOON_HOUR})) at time zone ${ctx.actor.timeZone} as noon`;
  const noon: Date = r?.noon < ctx.now ? r?.noon : new Date(ctx.now.getTime() - 3_600_000);
  // written down as of that day, so that mornings, pauses and weeks count from when it was done
  const then: Ctx = { ...ctx, now: noon, deviceNow: noon };
  const recheckId = randomUUID();
  await writeRecheck(then, client, { id: recheckId, signs: [], visitId: null });
  await startVisit(then, client, {
    id: input.id,
    versionId: sheet.id,
    recheckId,
    startedAt: noon.toISOString(),
  });
  const visit = await openVisit(then, client.episodeId);
  if (!visit) throw new Refused("conflict", "The visit could not be entered. Reload the page.");
  const events = logOfTicks(visit.lines, input, noon.getTime(), randomUUID);
  for (const [i, entry] of events.entries())
    await logEvent({ ...ctx, now: new Date(entry.at), deviceNow: new Date(entry.at) }, input.id, {
      seq: i + 1,
      entry,
    });
  await audit(ctx, "home.ticks", "visit", input.id, null, { on: input.on, lines: input.lineIds.length });
}
