import "server-only";
import type { z } from "zod";
import type { HoldRecord } from "@/core/session/holdRecord";
import type { endInput, startInput } from "@/core/session/sessionInput";
import { InputError } from "@/core/units/inputError";
import type { ClientEpisode } from "../clients";
import { type Ctx, mustMay } from "../context";
import { lockEpisode } from "../lock";
import { currentPlan, planById } from "../plans";
import { attempted, mustBeSame, Refused } from "../refused";
import { floorBarred } from "./sessions";

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
