import "server-only";
import type { Ctx } from "../base/context";

/** One change, as the record of a client shows it. */
export interface RecordEntry {
  id: number;
  at: Date;
  by: string;
  deed: string;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
}

const PAGE = 60;

/**
 * Who changed what of a client, newest first, over all episodes; `beforeId` goes back further. Subjects are the client,
 * the episodes and everything that belongs to them.
 */
export async function recordOf(ctx: Ctx, clientId: string, beforeId: number | null): Promise<RecordEntry[]> {
  const rows = await changes(ctx, clientId, beforeId);
  return rows.map((r) => ({
    id: r.id,
    at: r.at,
    by: r.name,
    deed: r.deed,
    before: r.before,
    after: r.after,
  }));
}

/**
 * The question itself. Each subject gives at most a page from its own index: asked the other way round the database
 * walks the whole clinic's record backwards until it has met enough of one client.
 */
export const changes = ({ tx }: Ctx, clientId: string, beforeId: number | null) => tx`
  with mine as (
    select ${clientId}::uuid as id
    union all select id from episode where client_id = ${clientId}
    union all select t.id from strength_test t join episode e on e.id = t.episode_id where e.client_id = ${clientId}
    union all select s.id from sheet s join episode e on e.id = s.episode_id where e.client_id = ${clientId}
    union all select v.id from sheet_version v join sheet s on s.id = v.sheet_id join episode e on e.id = s.episode_id
      where e.client_id = ${clientId}
    union all select r.id from recheck r join episode e on e.id = r.episode_id where e.client_id = ${clientId}
    union all select v.id from visit v join episode e on e.id = v.episode_id where e.client_id = ${clientId})
  select a.id, a.at, p.name, a.deed, a.before, a.after
  from (select distinct id from mine) m cross join lateral (
    select * from audit where subject_id = m.id and (${beforeId}::bigint is null or id < ${beforeId}::bigint)
    order by id desc limit ${PAGE}) a
  join person p on p.id = a.person_id
  order by a.id desc limit ${PAGE}`;
