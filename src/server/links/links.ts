import "server-only";
import { randomUUID } from "node:crypto";
import { audit } from "../base/audit";
import { type Ctx, dayOf, mustMay } from "../base/context";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";
import { morningOf } from "../history/visits";
import { tokenOf } from "./token";

/** The message with the morning's link goes out at this time of the next day at the clinic. */
const SENT_AT = "07:00";
/** A sheet for home opens for so long; then a new link is made. */
const HOME_DAYS = 42;

/**
 * The link for the morning after a visit: it can be opened until the end of that next day. One a day: what is answered
 * counts for all that was run on it.
 */
export async function makeMorningLink(
  ctx: Ctx,
  visit: { id: string; episodeId: string },
  startedAt: Date,
): Promise<void> {
  const day = dayOf(ctx, startedAt);
  const zone = ctx.actor.timeZone;
  await ctx.tx`
    insert into client_link (id, clinic_id, episode_id, purpose, visit_id, sends_at, expires_at, made_at, made_by)
    select ${randomUUID()}::uuid, ${ctx.actor.clinicId}::uuid, ${visit.episodeId}::uuid, 'morning', ${visit.id}::uuid, t.sends_at,
      (${day}::date + 2)::timestamp at time zone ${zone}, ${ctx.now}::timestamptz, ${ctx.actor.personId}::uuid
    from (select (${day}::date + 1 + ${SENT_AT}::time) at time zone ${zone} as sends_at) t
    where not exists (
      select 1 from client_link l where l.episode_id = ${visit.episodeId} and l.purpose = 'morning'
        and l.sends_at = t.sends_at and l.revoked_at is null)
    on conflict do nothing`;
}

/** A link that opens a sheet for home; the one before it stops working. Gives its token. */
export async function makeHomeLink(
  ctx: Ctx,
  client: ClientEpisode,
  input: { id: string; sheetId: string },
): Promise<string> {
  mustMay(ctx, "link.make");
  if (await isRepeat(ctx, "home_link", client.episodeId, input)) return tokenOf(input.id, await ownKey(ctx));
  const [sheet] = await ctx.tx`
    select place from sheet where id = ${input.sheetId} and episode_id = ${client.episodeId} and retired_at is null`;
  if (!sheet) throw new Refused("missing", "This sheet is not there any more. Reload the page.");
  if (sheet.place === "gym")
    throw new Refused(
      "conflict",
      "This sheet is for the gym. Plan a sheet for home first, then send its link.",
    );
  await ctx.tx`
    update client_link set revoked_at = ${ctx.now}
    where sheet_id = ${input.sheetId} and revoked_at is null and id <> ${input.id}`;
  await ctx.tx`
    insert into client_link (id, clinic_id, episode_id, purpose, sheet_id, sends_at, expires_at, made_at, made_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, 'home', ${input.sheetId}, ${ctx.now},
      ${ctx.now}::timestamptz + make_interval(days => ${HOME_DAYS}), ${ctx.now}, ${ctx.actor.personId})`;
  await audit(ctx, "link.make", "episode", client.episodeId, null, { sheetId: input.sheetId });
  return tokenOf(input.id, await ownKey(ctx));
}

/** What the outbox shows of a message: when it goes, to whom, and what came back. */
export interface OutboxMessage {
  id: string;
  purpose: "morning" | "home";
  visitId: string | null;
  clientId: string;
  clientName: string;
  /** the sheet that was run, or is to be run */
  sheet: string;
  sendsAt: Date;
  expiresAt: Date;
  /** where the link leads, without the app's own address */
  path: string;
  answered: { at: Date; by: string; byClient: boolean; pain: number } | null;
  isRevoked: boolean;
}

const SHOWN_DAYS = 14;
const MOST_SHOWN = 200;

/** Messages of the last two weeks and those that are still to go, the newest first; of one client where one is named. */
export async function outbox(ctx: Ctx, episodeId: string | null = null): Promise<OutboxMessage[]> {
  mustMay(ctx, "link.make");
  const key = await ownKey(ctx);
  const rows = await ctx.tx`
    select l.id, l.purpose, l.visit_id, l.sends_at, l.expires_at, l.revoked_at, c.id as client_id, c.name,
      coalesce(s.name, vs.name) as sheet, a.pain, a.answered_at, p.name as answered_by, a.answered_by as answered_as
    from client_link l
    join episode e on e.id = l.episode_id join client c on c.id = e.client_id
    left join sheet s on s.id = l.sheet_id
    left join visit v on v.id = l.visit_id
    left join sheet_version w on w.id = v.version_id left join sheet vs on vs.id = w.sheet_id
    left join lateral (${morningOf(ctx)}) a on true
    left join person p on p.id = a.entered_by
    where l.sends_at > ${ctx.now}::timestamptz - make_interval(days => ${SHOWN_DAYS})
      and (${episodeId}::uuid is null or l.episode_id = ${episodeId})
    order by l.sends_at desc, l.id limit ${MOST_SHOWN}`;
  return rows.map((r) => ({
    id: r.id,
    purpose: r.purpose,
    visitId: r.visit_id,
    clientId: r.client_id,
    clientName: r.name,
    sheet: r.sheet,
    sendsAt: r.sends_at,
    expiresAt: r.expires_at,
    path: `/${r.purpose === "morning" ? "m" : "h"}/${tokenOf(r.id, key)}`,
    answered: r.answered_at
      ? { at: r.answered_at, by: r.answered_by, byClient: r.answered_as === "client", pain: r.pain }
      : null,
    isRevoked: r.revoked_at !== null,
  }));
}

async function ownKey(ctx: Ctx): Promise<Buffer> {
  const [r] = await ctx.tx`select link_key_own() as key`;
  return r?.key;
}
