import "server-only";
import type { HoldRecord } from "@/core/session/holdRecord";
import { type Ctx, once } from "../context";

export interface SessionRecords {
  sessionId: string;
  /** share of maximum the plan really sets */
  shareOfMax: number;
  records: HoldRecord[];
}

/** All hold records of an episode's sessions, with the share of maximum that was planned, oldest session first. */
export const recordsByPlan = (ctx: Ctx, episodeId: string): Promise<SessionRecords[]> =>
  once(ctx, `records ${episodeId}`, () => readRecordsByPlan(ctx, episodeId));

async function readRecordsByPlan(ctx: Ctx, episodeId: string): Promise<SessionRecords[]> {
  const rows = await ctx.tx`
    select s.id as session_id, p.achieved_share, r.*
    from floor_session s join hold_plan p on p.id = s.plan_id join hold_record r on r.session_id = s.id
    where s.episode_id = ${episodeId} order by s.received_at, r.seq, r.received_at, r.id`;
  const bySession = new Map<string, SessionRecords>();
  for (const r of rows) {
    const entry: SessionRecords = bySession.get(r.session_id) ?? {
      sessionId: r.session_id,
      shareOfMax: r.achieved_share,
      records: [],
    };
    entry.records.push({
      id: r.id,
      seq: r.seq,
      corrects: r.corrects,
      voided: r.is_voided,
      startedAt: r.started_at.toISOString(),
      heldS: r.held_s,
      painBefore: r.pain_before,
      painAfter: r.pain_after,
      early: r.early,
      meanForceN: r.mean_force_n,
    });
    bySession.set(r.session_id, entry);
  }
  return [...bySession.values()];
}
