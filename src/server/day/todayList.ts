import "server-only";
import type { Matter, Next } from "@/core/desk/waiting";
import { MORNING_FROM_HOUR } from "@/core/visit/morningOpens";
import { type Ctx, dayAndHour } from "../base/context";
import { Known } from "../base/known";
import { type ClientEpisode, clientEpisodes } from "../client/clients";
import { kneeWindowOf } from "../facts/windows";
import { clientDay, type LastResponse } from "./clientDay";

/** One client as the lists show it. */
export interface ClientRow {
  client: Pick<
    ClientEpisode,
    "clientId" | "episodeId" | "name" | "occupation" | "where" | "condition" | "beganOn" | "beganWith"
  >;
  window: { fromDeg: number; toDeg: number };
  sheets: { name: string; lines: number; seconds: number }[];
  /** the angle of the first hold that is planned */
  holdDeg: number | null;
  last: LastResponse | null;
  next: Next;
  matters: Matter[];
  /** pain is above the most allowed before any work */
  isSore: boolean;
}

const known = new Known<ClientRow>(4000);

/**
 * Everybody of the clinic with where they stand, those who need a hand first. Only who changed since the last time is
 * worked out anew: revisions rise with every change in the database (0009_revisions.sql), and the day turns at midnight
 * and at the hour from which mornings are asked.
 */
export async function todayList(ctx: Ctx): Promise<ClientRow[]> {
  const { actor } = ctx;
  const open = await ctx.tx`
    select e.id, c.name, coalesce(r.revision, 0) as own,
      (select revision from revision where of = ${actor.clinicId}) as clinics
    from episode e join client c on c.id = e.client_id left join revision r on r.of = e.id
    where e.closed_on is null order by c.name`;
  const { day, hour } = dayAndHour(ctx, ctx.now);
  const clock = `${day} ${hour < MORNING_FROM_HOUR}`;
  const keyOf = (id: string) => `${id} ${actor.role} ${actor.massUnit} ${actor.locale}`;
  const fromOf = (r: (typeof open)[number]) => `${r.own} ${r.clinics} ${clock}`;
  const fresh = open.filter((r) => !known.get(keyOf(r.id), fromOf(r)));
  const clients = fresh.length === 0 ? [] : await clientEpisodes(ctx, { episodeIds: fresh.map((r) => r.id) });
  const rows = new Map<string, ClientRow>();
  // asked side by side: what all need travels as one question
  for (const row of await Promise.all(clients.map((client) => rowOf(ctx, client))))
    rows.set(row.client.episodeId, row);
  const list = open.flatMap((r) => {
    const row = rows.get(r.id) ?? known.get(keyOf(r.id), fromOf(r));
    if (!row) return [];
    known.keep(keyOf(r.id), fromOf(r), row);
    return [row];
  });
  return list.sort((a, b) => Number(b.next.needsHand) - Number(a.next.needsHand));
}

async function rowOf(ctx: Ctx, client: ClientEpisode): Promise<ClientRow> {
  const [day, window] = await Promise.all([clientDay(ctx, client), kneeWindowOf(ctx, client)]);
  const hold = day.sheets.flatMap((s) => s.lines).find((l) => l.plan.scheme.kind === "holds")?.plan.scheme;
  const { clientId, episodeId, name, occupation, where, condition, beganOn, beganWith } = client;
  return {
    client: { clientId, episodeId, name, occupation, where, condition, beganOn, beganWith },
    window: { fromDeg: window.fromDeg, toDeg: window.toDeg },
    sheets: day.sheets.map((s) => ({ name: s.name, lines: s.lines.length, seconds: s.seconds })),
    holdDeg: hold?.kind === "holds" ? hold.atDeg : null,
    last: day.last,
    next: day.next,
    matters: day.matters,
    isSore: day.pain !== null,
  };
}
