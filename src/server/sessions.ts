import "server-only";
import type { z } from "zod";
import { painRule } from "@/core/progression/painRule";
import type { Action } from "@/core/progression/safetyRules";
import { writtenPainLimit } from "@/core/safety/limits";
import type { HoldRecord } from "@/core/session/holdRecord";
import type { clearanceInput, endInput, recheckInput, startInput } from "@/core/session/sessionInput";
import { InputError } from "@/core/units/inputError";
import { audit } from "./audit";
import type { ClientEpisode } from "./clients";
import { type Ctx, mustMay, once, today } from "./context";
import { recordsByPlan } from "./holdRecords";
import { limitsBar, limitsOf } from "./limits";
import { currentPlan, planById, type StoredPlan } from "./plans";
import { Refused } from "./refused";
import { screeningStateOf } from "./screenings";

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
    where s.episode_id = ${episodeId} order by s.started_at`;
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

export interface Recheck {
  id: string;
  at: Date;
  isClear: boolean;
  what: string;
  by: string;
}

/** The newest warning-sign answer; a clearance counts as an answer. */
export const lastRecheck = (ctx: Ctx, episodeId: string): Promise<Recheck | null> =>
  once(ctx, `recheck ${episodeId}`, () => readLastRecheck(ctx, episodeId));

async function readLastRecheck(ctx: Ctx, episodeId: string): Promise<Recheck | null> {
  const [r] = await ctx.tx`
    select r.*, p.name from recheck r join person p on p.id = r.answered_by
    where episode_id = ${episodeId} order by at desc, id limit 1`;
  return r ? { id: r.id, at: r.at, isClear: r.is_clear, what: r.what, by: r.name } : null;
}

export async function answerRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof recheckInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  const last = await lastRecheck(ctx, client.episodeId);
  if (last && !last.isClear && last.id !== input.id)
    throw new Refused(
      "conflict",
      `A warning sign stands: ${last.what}. A therapist clears it with a reason first.`,
    );
  await ctx.tx`
    insert into recheck (id, clinic_id, episode_id, at, answered_by, is_clear, what)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${ctx.now}, ${ctx.actor.personId},
      ${input.isClear}, ${input.isClear ? "none" : input.signs.join("; ")})
    on conflict (id) do nothing`;
  if (!input.isClear) await audit(ctx, "recheck.warning", "recheck", input.id, null, { signs: input.signs });
}

/** A therapist clears a warning sign with a reason. */
export async function clearRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof clearanceInput>,
): Promise<void> {
  mustMay(ctx, "recheck.clear");
  const last = await lastRecheck(ctx, client.episodeId);
  if (!last || last.id !== input.clears || last.isClear)
    throw new Refused("conflict", "There is no such warning sign to clear any more. Reload the page.");
  await ctx.tx`
    insert into recheck (id, clinic_id, episode_id, at, answered_by, is_clear, what, clears)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${ctx.now}, ${ctx.actor.personId}, true,
      ${input.reason}, ${input.clears})`;
  await audit(ctx, "recheck.clear", "recheck", input.clears, { what: last.what }, { reason: input.reason });
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
  const sessions = await sessionsOf(ctx, client.episodeId);
  const previous = sessions[sessions.length - 1];
  if (!previous) return null;
  if (previous.end && !previous.decided)
    return "The last session has no decision yet: a therapist decides it first.";
  if (isStopped(previous, plan))
    return "The last decision was to stop and refer. Only a new plan by a therapist starts these holds again.";
  return null;
}

/** Starts a session. Warning signs, the last decision and the newest plan are checked here, not only on the page. */
export async function startSession(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof startInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  const known = await ctx.tx`select 1 from floor_session where id = ${input.id}`;
  if (known.length) return;
  await ctx.tx`select pg_advisory_xact_lock(hashtext(${client.episodeId}))`;
  const open = await ctx.tx`
    select p.name from floor_session s join person p on p.id = s.started_by
    where s.episode_id = ${client.episodeId}
      and not exists (select 1 from floor_session_end e where e.session_id = s.id)`;
  if (open[0])
    throw new Refused(
      "conflict",
      `A session of ${open[0].name} is still open. Reload the floor and go on with it.`,
    );
  const plan = await currentPlan(ctx, client.episodeId);
  const barred = await floorBarred(ctx, client, plan);
  if (barred) throw new Refused("conflict", barred);
  if (plan?.id !== input.planId)
    throw new Refused("conflict", `The plan changed: version ${plan?.version} is current. Reload the floor.`);
  const recheck = await lastRecheck(ctx, client.episodeId);
  if (recheck?.id !== input.recheckId || !recheck.isClear)
    throw new Refused("conflict", "Ask the warning signs before this session.");
  await ctx.tx`
    insert into floor_session (id, clinic_id, episode_id, plan_id, recheck_id, started_at, started_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.planId}, ${input.recheckId},
      ${new Date(input.startedAt)}, ${ctx.actor.personId})
    on conflict (id) do nothing`;
}

/** Logs one hold. Append-only; the same record sent twice is one record. */
export async function logHold(ctx: Ctx, sessionId: string, r: HoldRecord): Promise<void> {
  mustMay(ctx, "session.run");
  const session = await openSession(ctx, sessionId);
  const plan = await planById(ctx, session.plan_id);
  if (r.seq > plan.plan.pattern.reps * plan.plan.pattern.sets)
    throw new InputError("seq", "This hold is more than the plan has.");
  await ctx.tx`
    insert into hold_record (id, clinic_id, session_id, seq, corrects, is_voided, started_at, held_s, pain_before,
      pain_after, early, mean_force_n, logged_by, received_at)
    values (${r.id}, ${ctx.actor.clinicId}, ${sessionId}, ${r.seq}, ${r.corrects}, ${r.voided},
      ${new Date(r.startedAt)}, ${r.heldS}, ${r.painBefore}, ${r.painAfter}, ${r.early}, ${r.meanForceN},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict (id) do nothing`;
}

async function openSession(ctx: Ctx, sessionId: string): Promise<{ plan_id: string; episode_id: string }> {
  const [s] = await ctx.tx`select plan_id, episode_id from floor_session where id = ${sessionId}`;
  if (!s) throw new Refused("missing", "This session is not known at the clinic yet; it will be sent again.");
  return s as unknown as { plan_id: string; episode_id: string };
}

export async function endSession(
  ctx: Ctx,
  sessionId: string,
  input: z.infer<typeof endInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  await openSession(ctx, sessionId);
  await ctx.tx`
    insert into floor_session_end (session_id, clinic_id, ended_at, pain_at_start, pain_at_end, felt_effort, stopped, ended_by)
    values (${sessionId}, ${ctx.actor.clinicId}, ${new Date(input.endedAt)}, ${input.painAtStart},
      ${input.painAtEnd},
      ${input.feltEffort}, ${input.stopped}, ${ctx.actor.personId})
    on conflict (session_id) do nothing`;
}

/** The most joint pain allowed for this client today: the school's rule or a written limit, whichever is stricter. */
export async function painMaxFor(ctx: Ctx, client: ClientEpisode): Promise<number> {
  const written = writtenPainLimit(await limitsOf(ctx, client), today(ctx));
  return painRule(client.school, client.irritability, written).max;
}
