import "server-only";
import { mostOf } from "@/core/bounds/inForce";
import { doseHold } from "@/core/dose/doseHold";
import type { Action } from "@/core/progression/safetyRules";
import type { HoldRecord } from "@/core/session/holdRecord";
import type { ClientEpisode } from "../clients";
import { type Ctx, once } from "../context";
import { boundsOf, limitsBar } from "../limits";
import { kneeExtensionMachine } from "../machines";
import { doseContext, NO_EXTENSION, type StoredPlan } from "../plans";
import { screeningStateOf } from "../screenings";
import { recordsByPlan } from "./holdRecords";
import { lastRecheck } from "./rechecks";

/** A session on the floor with what was logged in it. */
export interface FloorSession {
  id: string;
  planId: string;
  startedAt: Date;
  startedBy: string;
  records: HoldRecord[];
  end: {
    endedAt: Date;
    painAtStart: number | null;
    painAtEnd: number | null;
    feltEffort: number | null;
    stopped: string | null;
  } | null;
  morning: Morning | null;
  decided: { action: Action; rules: string[]; banks: boolean; sentence: string; by: string; at: Date } | null;
}

export interface Morning {
  id: string;
  pain: number;
  swelling: number | null;
  stiffnessMin: number | null;
  enteredAt: Date;
  enteredBy: string;
}

/** All sessions of an episode, oldest first. */
export const sessionsOf = (ctx: Ctx, episodeId: string): Promise<FloorSession[]> =>
  once(ctx, `sessions ${episodeId}`, () => readSessionsOf(ctx, episodeId));

async function readSessionsOf(ctx: Ctx, episodeId: string): Promise<FloorSession[]> {
  const records = new Map((await recordsByPlan(ctx, episodeId)).map((r) => [r.sessionId, r.records]));
  const rows = await ctx.tx`
    select s.id, s.plan_id, s.started_at, starter.name as started_by, e.ended_at, e.pain_at_start, e.pain_at_end, e.felt_effort,
      e.stopped, m.id as morning_id, m.pain, m.swelling, m.stiffness_min, m.entered_at, entrant.name as entered_by,
      d.action, d.rules, d.banks, d.sentence, d.decided_at, decider.name as decided_by
    from floor_session s
    join person starter on starter.id = s.started_by
    left join floor_session_end e on e.session_id = s.id
    left join lateral (
      select * from morning_response where session_id = s.id order by entered_at desc, id limit 1) m on true
    left join person entrant on entrant.id = m.entered_by
    left join decision d on d.session_id = s.id
    left join person decider on decider.id = d.decided_by
    where s.episode_id = ${episodeId} order by s.received_at, s.id`;
  return rows.map((r) => ({
    id: r.id,
    planId: r.plan_id,
    startedAt: r.started_at,
    startedBy: r.started_by,
    records: records.get(r.id) ?? [],
    end: r.ended_at
      ? {
          endedAt: r.ended_at,
          painAtStart: r.pain_at_start,
          painAtEnd: r.pain_at_end,
          feltEffort: r.felt_effort,
          stopped: r.stopped,
        }
      : null,
    morning: r.morning_id
      ? {
          id: r.morning_id,
          pain: r.pain,
          swelling: r.swelling,
          stiffnessMin: r.stiffness_min,
          enteredAt: r.entered_at,
          enteredBy: r.entered_by,
        }
      : null,
    decided: r.action
      ? {
          action: r.action,
          rules: r.rules,
          banks: r.banks,
          sentence: r.sentence,
          by: r.decided_by,
          at: r.decided_at,
        }
      : null,
  }));
}

/** After "stop and refer" only a plan written after that decision opens the floor again. */
export function isStopped(last: FloorSession, plan: StoredPlan): boolean {
  return last.decided?.action === "STOP_REFER" && plan.madeAt <= last.decided.at;
}

/** Why no session can start now, with what to do; null if one can. */
export async function floorBarred(
  ctx: Ctx,
  client: ClientEpisode,
  plan: StoredPlan | null,
): Promise<string | null> {
  const last = await lastRecheck(ctx, client.episodeId);
  if (last && !last.isClear)
    return `A warning sign stands since ${last.by} noted it: ${last.what}. A therapist clears it with a reason, or refers.`;
  const screening = await screeningStateOf(ctx, client);
  if (screening.barsFloor) return screening.barsFloor;
  const uncovered = await limitsBar(ctx, client);
  if (uncovered) return uncovered;
  if (!plan) return "There is no dose yet: a therapist plans the holds first.";
  const context = await doseContext(ctx, client);
  if (!context && !(await kneeExtensionMachine(ctx))) return NO_EXTENSION;
  // limits may have become stricter since it was saved
  const outside = context && doseHold(plan.plan, context).notices.find((n) => n.kind === "bars");
  if (outside)
    return `The saved hold is outside today's limits: ${outside.sentence} A therapist doses it anew first.`;
  const sessions = await sessionsOf(ctx, client.episodeId);
  const previous = sessions[sessions.length - 1];
  if (!previous) return null;
  if (sessions.some((s) => s.end && !s.decided))
    return "The last session has no decision yet: a therapist decides it first.";
  if (isStopped(previous, plan))
    return "The last decision was to stop and refer. Only a new plan by a therapist starts these holds again.";
  return null;
}

/** The most joint pain allowed for this client today: the pain rule, the phase or a written limit, the strictest. */
export async function painMaxFor(ctx: Ctx, client: ClientEpisode): Promise<number> {
  return mostOf(await boundsOf(ctx, client), "joint_pain");
}
