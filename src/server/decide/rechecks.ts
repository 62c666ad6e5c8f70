import "server-only";
import type { z } from "zod";
import { type RecheckAsk, screenedLately } from "@/core/visit/signs/recheckAsk";
import { keptSigns, type RecheckSign, recheckFor, signsSaid } from "@/core/visit/signs/recheckSigns";
import type { clearanceInput, recheckInput } from "@/core/visit/visitInput";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, mustMay, once } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import { type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { screeningsOf } from "../client/screenings";
import { recentVisits } from "../history/visits";

/** Warning signs as they were answered before a session, or cleared. */
export interface Recheck {
  id: string;
  at: Date;
  isClear: boolean;
  what: string;
  by: string;
}

/** The warning sign that stands, or else the newest answer; a clearance counts as an answer. Any uncleared sign bars. */
export const lastRecheck = (ctx: Ctx, episodeId: string): Promise<Recheck | null> =>
  once(ctx, `recheck ${episodeId}`, () => readLastRecheck(ctx, episodeId));

async function readLastRecheck(ctx: Ctx, episodeId: string): Promise<Recheck | null> {
  const [r] = await rowsOf(
    ctx,
    "recheck",
    episodeId,
    (keys) => ctx.tx`
      select distinct on (r.episode_id) r.episode_id as of, r.*, p.name from recheck r join person p on p.id = r.answered_by
      where r.episode_id = any(${keys}::uuid[])
        and (r.is_clear or not exists (select 1 from recheck c where c.clears = r.id))
      order by r.episode_id, r.is_clear, r.at desc, r.id`,
  );
  return r ? { id: r.id, at: r.at, isClear: r.is_clear, what: saidOf(r.is_clear, r.what), by: r.name } : null;
}

/** A sign is kept as a code, a clearance as somebody wrote it. */
const saidOf = (isClear: boolean, kept: string): string => (isClear ? kept : sayPlainly(signsSaid(kept)));

/** How the short list is asked of a client now. */
export async function recheckAsk(ctx: Ctx, client: ClientEpisode): Promise<RecheckAsk> {
  const [screening] = await screeningsOf(ctx, client.episodeId);
  return {
    signs: recheckFor(weeksAfterSurgery(ctx, client)),
    isFirst: (await recentVisits(ctx, client.episodeId)).length === 0,
    screenedAt: screenedLately(screening?.at ?? null, ctx.now),
  };
}

export async function answerRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof recheckInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "recheck", client.episodeId, input)) return;
  const last = await lastRecheck(ctx, client.episodeId);
  // a further sign is always taken; that there is none is not, while one stands
  if (input.isClear && last && !last.isClear)
    throw attempted(
      "recheck.past",
      new Refused(
        "conflict",
        `A warning sign stands: ${last.what}. A therapist clears it with a reason first.`,
      ),
    );
  await writeRecheck(ctx, client, { id: input.id, signs: input.signs, visitId: null });
}

/** Signs as they were answered; none of them is a clear answer. `visitId`: with the morning after that visit. */
export async function writeRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  r: { id: string; signs: readonly RecheckSign[]; visitId: string | null },
): Promise<void> {
  const isClear = r.signs.length === 0;
  await ctx.tx`
    insert into recheck (id, clinic_id, episode_id, at, answered_by, is_clear, what, visit_id)
    values (${r.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${ctx.now}, ${ctx.actor.personId},
      ${isClear}, ${isClear ? "none" : keptSigns(r.signs)}, ${r.visitId})`;
  if (!isClear) await audit(ctx, "recheck.warning", "recheck", r.id, null, { signs: r.signs });
}

/** A therapist clears a warning sign with a reason; each sign that stands is cleared by itself. */
export async function clearRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof clearanceInput>,
): Promise<void> {
  mustMay(ctx, "recheck.clear");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "recheck.clear", client.episodeId, input)) return;
  const [sign] = await ctx.tx`
    select r.what from recheck r
    where r.id = ${input.clears} and r.episode_id = ${client.episodeId} and not r.is_clear
      and not exists (select 1 from recheck c where c.clears = r.id)`;
  if (!sign)
    throw new Refused("conflict", "There is no such warning sign to clear any more. Reload the page.");
  await ctx.tx`
    insert into recheck (id, clinic_id, episode_id, at, answered_by, is_clear, what, clears)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${ctx.now}, ${ctx.actor.personId}, true,
      ${input.reason}, ${input.clears})`;
  await audit(ctx, "recheck.clear", "recheck", input.clears, { what: sign.what }, { reason: input.reason });
}
