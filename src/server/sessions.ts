import "server-only";
import type { z } from "zod";
import { mostOf } from "@/core/bounds/inForce";
import { doseHold } from "@/core/dose/doseHold";
import type { Action } from "@/core/progression/safetyRules";
import type { HoldRecord } from "@/core/session/holdRecord";
import type { clearanceInput, endInput, recheckInput, startInput } from "@/core/session/sessionInput";
import { InputError } from "@/core/units/inputError";
import { audit } from "./audit";
import type { ClientEpisode } from "./clients";
import { type Ctx, mustMay, once } from "./context";
import { recordsByPlan } from "./holdRecords";
import { boundsOf, limitsBar } from "./limits";
import { lockEpisode } from "./lock";
import { kneeExtensionMachine } from "./machines";
import { currentPlan, doseContext, NO_EXTENSION, planById, type StoredPlan } from "./plans";
import { attempted, Refused } from "./refused";
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
  const [r] = await ctx.tx`
    select r.*, p.name from recheck r join person p on p.id = r.answered_by
    where episode_id = ${episodeId}
      and (r.is_clear or not exists (select 1 from recheck c where c.clears = r.id))
    order by r.is_clear, r.at desc, r.id limit 1`;
  return r ? { id: r.id, at: r.at, isClear: r.is_clear, what: r.what, by: r.name } : null;
}

export async function answerRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof recheckInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  await lockEpisode(ctx, client.episodeId);
  const what = input.isClear ? "none" : input.signs.join("; ");
  const [known] = await ctx.tx`select episode_id, is_clear, what from recheck where id = ${input.id}`;
  if (known) {
    mustBeSame(
      known.episode_id === client.episodeId && known.is_clear === input.isClear && known.what === what,
      "recheck.repeat",
      "These warning signs were answered before, and differently",
    );
    return;
  }
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
  await ctx.tx`
    insert into recheck (id, clinic_id, episode_id, at, answered_by, is_clear, what)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${ctx.now}, ${ctx.actor.personId},
      ${input.isClear}, ${what})`;
  if (!input.isClear) await audit(ctx, "recheck.warning", "recheck", input.id, null, { signs: input.signs });
}

/** A therapist clears a warning sign with a reason; each sign that stands is cleared by itself. */
export async function clearRecheck(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof clearanceInput>,
): Promise<void> {
  mustMay(ctx, "recheck.clear");
  await lockEpisode(ctx, client.episodeId);
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

/** A tablet's clock may be so far behind (it ran without the network) or ahead of the clinic's. */
const TABLET_BEHIND_MS = 36 * 3_600_000;
const TABLET_AHEAD_MS = 2 * 60_000;

/** When something was done: the tablet's time where it can be right, else the time at which the clinic got it. */
function believable(ctx: Ctx, tabletAt: string): Date {
  const at = new Date(tabletAt);
  const agoMs = ctx.now.getTime() - at.getTime();
  return agoMs > TABLET_BEHIND_MS || agoMs < -TABLET_AHEAD_MS
    ? ctx.now
    : new Date(Math.min(at.getTime(), ctx.now.getTime()));
}

/** The same record again changes nothing; another one under the same id is refused, and kept aside. */
function mustBeSame(isSame: boolean, deed: string, what: string): void {
  if (!isSame)
    throw attempted(
      deed,
      new Refused(
        "conflict",
        `${what}. What was sent first stands; this one is kept aside for the therapist to look at.`,
      ),
    );
}

/** Starts a session. Warning signs, the last decision and the newest plan are checked here, not only on the page. */
export async function startSession(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof startInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  await lockEpisode(ctx, client.episodeId);
  const [known] = await ctx.tx`
    select episode_id, plan_id, recheck_id from floor_session where id = ${input.id}`;
  if (known) {
    mustBeSame(
      known.episode_id === client.episodeId &&
        known.plan_id === input.planId &&
        known.recheck_id === input.recheckId,
      "session.repeat",
      "A session with this id was started before, differently",
    );
    return;
  }
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
  if (barred) throw attempted("session.past", new Refused("conflict", barred));
  if (plan?.id !== input.planId)
    throw new Refused("conflict", `The plan changed: version ${plan?.version} is current. Reload the floor.`);
  const [asked] = await ctx.tx`
    select is_clear, at from recheck where id = ${input.recheckId} and episode_id = ${client.episodeId}`;
  if (!asked?.is_clear || ctx.now.getTime() - asked.at.getTime() > RECHECK_LASTS_MS)
    throw attempted("session.unasked", new Refused("conflict", "Ask the warning signs before this session."));
  await ctx.tx`
    insert into floor_session (id, clinic_id, episode_id, plan_id, recheck_id, started_at, tablet_at, received_at,
      started_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.planId}, ${input.recheckId},
      ${believable(ctx, input.startedAt)}, ${new Date(input.startedAt)}, ${ctx.now}, ${ctx.actor.personId})`;
}

/** The short questions are asked for one session: an answer from another day opens none. */
const RECHECK_LASTS_MS = 12 * 3_600_000;

/** Logs one hold. Append-only; the same record sent twice is one record. */
export async function logHold(ctx: Ctx, sessionId: string, r: HoldRecord): Promise<void> {
  mustMay(ctx, "session.run");
  const session = await lockedSession(ctx, sessionId);
  const [known] = await ctx.tx`
    select session_id, seq, corrects, is_voided, tablet_at, held_s, pain_before, pain_after, early, mean_force_n
    from hold_record where id = ${r.id}`;
  if (known) {
    mustBeSame(
      known.session_id === sessionId &&
        known.seq === r.seq &&
        known.corrects === r.corrects &&
        known.is_voided === r.voided &&
        (known.tablet_at as Date).getTime() === Date.parse(r.startedAt) &&
        known.held_s === r.heldS &&
        known.pain_before === r.painBefore &&
        known.pain_after === r.painAfter &&
        known.early === r.early &&
        known.mean_force_n === r.meanForceN,
      "hold.repeat",
      "A hold with this id was logged before, with other numbers or in another session",
    );
    return;
  }
  if (session.isDecided || session.isEnded)
    throw attempted(
      "hold.late",
      new Refused(
        "conflict",
        session.isDecided
          ? "This session has been decided: no hold can be added to it. It is kept aside for the therapist."
          : "This session is closed: no hold can be added to it. It is kept aside for the therapist.",
      ),
    );
  const plan = await planById(ctx, session.planId);
  if (r.seq > plan.plan.pattern.reps * plan.plan.pattern.sets)
    throw new InputError("seq", "This hold is more than the plan has.");
  if (r.corrects !== null) {
    const [old] = await ctx.tx`
      select 1 from hold_record where id = ${r.corrects} and session_id = ${sessionId}`;
    if (!old)
      throw new InputError(
        "corrects",
        "The hold that this corrects is not in this session. Reload the floor.",
      );
  }
  await ctx.tx`
    insert into hold_record (id, clinic_id, session_id, seq, corrects, is_voided, started_at, tablet_at, held_s,
      pain_before, pain_after, early, mean_force_n, logged_by, received_at)
    values (${r.id}, ${ctx.actor.clinicId}, ${sessionId}, ${r.seq}, ${r.corrects}, ${r.voided},
      ${believable(ctx, r.startedAt)}, ${new Date(r.startedAt)}, ${r.heldS}, ${r.painBefore}, ${r.painAfter},
      ${r.early}, ${r.meanForceN}, ${ctx.actor.personId}, ${ctx.now})`;
}

/** A session of this clinic, with nobody else writing to its episode. */
async function lockedSession(
  ctx: Ctx,
  sessionId: string,
): Promise<{ planId: string; isEnded: boolean; isDecided: boolean }> {
  const [s] = await ctx.tx`select plan_id, episode_id from floor_session where id = ${sessionId}`;
  if (!s) throw new Refused("missing", "This session is not known at the clinic yet; it will be sent again.");
  await lockEpisode(ctx, s.episode_id);
  const [now] = await ctx.tx`
    select exists (select 1 from floor_session_end where session_id = ${sessionId}) as ended,
      exists (select 1 from decision where session_id = ${sessionId}) as decided`;
  return { planId: s.plan_id, isEnded: now?.ended ?? false, isDecided: now?.decided ?? false };
}

/** Closes a session. The same closing sent twice is one; another one is refused and kept aside. */
export async function endSession(
  ctx: Ctx,
  sessionId: string,
  input: z.infer<typeof endInput>,
): Promise<void> {
  mustMay(ctx, "session.run");
  await lockedSession(ctx, sessionId);
  const [known] = await ctx.tx`
    select tablet_at, pain_at_start, pain_at_end, felt_effort, stopped from floor_session_end
    where session_id = ${sessionId}`;
  if (known) {
    mustBeSame(
      (known.tablet_at as Date).getTime() === Date.parse(input.endedAt) &&
        known.pain_at_start === input.painAtStart &&
        known.pain_at_end === input.painAtEnd &&
        known.felt_effort === input.feltEffort &&
        known.stopped === input.stopped,
      "session.end-again",
      "This session was closed before, with other answers",
    );
    return;
  }
  await ctx.tx`
    insert into floor_session_end (session_id, clinic_id, ended_at, tablet_at, received_at, pain_at_start, pain_at_end,
      felt_effort, stopped, ended_by)
    values (${sessionId}, ${ctx.actor.clinicId}, ${believable(ctx, input.endedAt)}, ${new Date(input.endedAt)},
      ${ctx.now}, ${input.painAtStart}, ${input.painAtEnd}, ${input.feltEffort}, ${input.stopped},
      ${ctx.actor.personId})`;
}

/** The most joint pain allowed for this client today: the pain rule, the phase or a written limit, the strictest. */
export async function painMaxFor(ctx: Ctx, client: ClientEpisode): Promise<number> {
  return mostOf(await boundsOf(ctx, client), "joint_pain");
}
