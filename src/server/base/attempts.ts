import "server-only";
import type { Actor, Ctx } from "./context";
import { inClinic } from "./db";

/** Something that was tried and refused, as the record of a client shows it. */
export interface RefusedAttempt {
  id: number;
  at: Date;
  by: string;
  deed: string;
  sentence: string;
}

const MOST_KEPT_CHARACTERS = 4000;

/**
 * Keeps an attempt that was refused, in a transaction of its own: the one in which it was refused is undone. `content`
 * is what was sent; it is left out where it is very long.
 */
export async function keepAttempt(
  actor: Actor,
  now: Date,
  attempt: {
    deed: string;
    sentence: string;
    clientId: string | null;
    visitId: string | null;
    content: unknown;
  },
): Promise<void> {
  await inClinic(actor.clinicId, async (tx) => {
    const [found] = await tx`
      select c.id from client c where c.id = ${attempt.clientId}
      union all
      select e.client_id from visit v join episode e on e.id = v.episode_id where v.id = ${attempt.visitId}`;
    const isLong = JSON.stringify(attempt.content ?? null).length > MOST_KEPT_CHARACTERS;
    await tx`
      insert into refused_attempt (clinic_id, at, person_id, client_id, deed, sentence, content)
      values (${actor.clinicId}, ${now}, ${actor.personId}, ${found?.id ?? null}, ${attempt.deed}, ${attempt.sentence},
        ${isLong || attempt.content == null ? null : tx.json(attempt.content as never)})`;
  });
}

const MOST_SHOWN = 30;

/** What was tried with a client and refused, newest first. */
export async function attemptsOf(ctx: Ctx, clientId: string): Promise<RefusedAttempt[]> {
  const rows = await ctx.tx`
    select a.id, a.at, p.name, a.deed, a.sentence from refused_attempt a join person p on p.id = a.person_id
    where a.client_id = ${clientId} order by a.at desc, a.id desc limit ${MOST_SHOWN}`;
  return rows.map((r) => ({ id: r.id, at: r.at, by: r.name, deed: r.deed, sentence: r.sentence }));
}

const RECENT_DAYS = 7;

/** How many attempts of the last week were refused, by client. */
export async function recentAttempts(ctx: Ctx): Promise<Map<string, number>> {
  const since = new Date(ctx.now.getTime() - RECENT_DAYS * 86_400_000);
  const rows = await ctx.tx`
    select client_id, count(*) as n from refused_attempt
    where at > ${since} and client_id is not null group by client_id`;
  return new Map(rows.map((r) => [r.client_id as string, r.n as number]));
}
