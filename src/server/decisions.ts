import "server-only";
import { randomUUID } from "node:crypto";
import { doseHold } from "@/core/dose/doseHold";
import { type Decision, decide } from "@/core/progression/decide";
import type { DecisionInput } from "@/core/progression/decisionInput";
import { type NextHold, nextHold } from "@/core/progression/nextHold";
import { type Action, TELL_TODAY } from "@/core/progression/safetyRules";
import { standing } from "@/core/session/holdRecord";
import type { DecisionTaken } from "@/core/session/sessionInput";
import { decisionInputFor, heldState, weeklyTrend } from "@/core/session/sessionSummary";
import { daysBetween } from "@/core/units/days";
import { audit } from "./audit";
import type { ClientEpisode } from "./clients";
import { type Ctx, dayOf, mustMay } from "./context";
import { lastRecheck } from "./floor/rechecks";
import { type FloorSession, sessionsOf } from "./floor/sessions";
import { boundsOf } from "./limits";
import { lockEpisode } from "./lock";
import { currentPlan, doseContext, planById, type StoredPlan, savePlan } from "./plans";
import { attempted, mustBeSame, Refused } from "./refused";
import { screeningStateOf } from "./screenings";

/** The draft of a decision for the newest finished session. */
export interface Proposal {
  session: FloorSession;
  plan: StoredPlan;
  input: DecisionInput;
  decision: Decision;
  /** what each possible action would make of the plan, and what bars it */
  next: Record<Action, NextHold & { bars: string | null; setting: string | null }>;
}

const ACTIONS: readonly Action[] = ["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"];

/** The draft for the newest session that is finished and not decided; null if there is none. */
export async function proposal(ctx: Ctx, client: ClientEpisode): Promise<Proposal | null> {
  const sessions = await sessionsOf(ctx, client.episodeId);
  const session = sessions[sessions.length - 1];
  if (!session?.end || session.decided) return null;
  const plan = await planById(ctx, session.planId);
  const input = await inputFor(ctx, client, sessions, session, plan);
  const decision = decide(input);
  return { session, plan, input, decision, next: await nextByAction(ctx, client, plan, decision) };
}

async function inputFor(
  ctx: Ctx,
  client: ClientEpisode,
  sessions: FloorSession[],
  session: FloorSession,
  plan: StoredPlan,
): Promise<DecisionInput> {
  const earlier = sessions.filter((s) => s.id !== session.id && s.end);
  const previous = earlier[earlier.length - 1];
  const recheck = await lastRecheck(ctx, client.episodeId);
  const signs = (await screeningStateOf(ctx, client)).status;
  const previousPlan = previous ? await planById(ctx, previous.planId) : null;
  const swellings = earlier.map((s) => s.morning?.swelling).filter((x) => x !== null && x !== undefined);
  const painOf = (s: FloorSession) => Math.max(0, ...standing(s.records).map((r) => r.painAfter));
  return decisionInputFor(
    plan.plan,
    {
      records: session.records,
      painAtStart: session.end?.painAtStart ?? null,
      painAtEnd: session.end?.painAtEnd ?? null,
      feltEffort: session.end?.feltEffort ?? null,
    },
    {
      school: client.school,
      irritability: client.irritability,
      writtenPainLimit: (await boundsOf(ctx, client)).joint_pain?.high ?? null,
      usualPain: client.usualPain,
      redFlag: (recheck !== null && !recheck.isClear) || signs === "stop" || signs === "hold",
      morning: session.morning,
      swellingBefore: swellings[swellings.length - 1] ?? client.firstSwelling,
      swellingApplies: client.swellingApplies,
      weekTrend: weeklyTrend(
        sessions
          .filter((s) => s.records.length)
          .map((s) => ({
            daysAgo: daysBetween(dayOf(ctx, s.startedAt), dayOf(ctx, session.startedAt)),
            pain: painOf(s),
          })),
      ),
      prevRegress: previous?.decided?.action === "REGRESS",
      missedBefore:
        previous !== undefined &&
        previousPlan !== null &&
        heldState(previousPlan.plan, previous.records) === "below",
      banked: bankedOn(earlier),
      feltTarget:
        plan.plan.effort.kind === "felt" ? plan.plan.effort.felt : Math.round(plan.feltExpected * 2) / 2,
    },
  );
}

/** Good sessions banked since the last step up or back; the decision banks, nothing else does. */
function bankedOn(earlier: readonly FloorSession[]): number {
  let banked = 0;
  for (const s of earlier) {
    if (!s.decided) continue;
    if (s.decided.action !== "HOLD") banked = 0;
    else if (s.decided.banks) banked++;
  }
  return banked;
}

async function nextByAction(
  ctx: Ctx,
  client: ClientEpisode,
  plan: StoredPlan,
  decision: Decision,
): Promise<Proposal["next"]> {
  const context = await doseContext(ctx, client);
  const allowed: [number, number] = context ? [context.window.fromDeg, context.window.toDeg] : [0, 130];
  const entries = ACTIONS.map((action) => {
    const rules = action === decision.action ? decision.rules : [];
    const next = nextHold(plan.plan, action, rules, {
      school: client.school,
      irritability: client.irritability,
      allowedDeg: allowed,
    });
    if (!next.plan || !context) return [action, { ...next, bars: null, setting: null }];
    const dosed = doseHold(next.plan, context);
    const set = dosed.byMeans[next.plan.means];
    const bars = dosed.notices.find((n) => n.kind === "bars")?.sentence ?? null;
    return [action, { ...next, bars, setting: set.possible ? set.how : null }];
  });
  return Object.fromEntries(entries) as Proposal["next"];
}

/**
 * Takes the decision: the computed one, or another with a reason. The draft is computed again here; if it is no longer
 * what the person saw, nothing is written. A changed plan is saved as its next version in the same transaction.
 */
export async function takeDecision(ctx: Ctx, client: ClientEpisode, taken: DecisionTaken): Promise<void> {
  mustMay(ctx, "decision.take");
  await lockEpisode(ctx, client.episodeId);
  const [known] = await ctx.tx`
    select session_id, action, computed_action, override_reason from decision where id = ${taken.id}`;
  if (known) {
    const isSame =
      known.session_id === taken.sessionId &&
      known.action === taken.action &&
      known.computed_action === taken.computedAction &&
      known.override_reason === taken.overrideReason;
    return mustBeSame(isSame, "decision.repeat", "This decision was taken before, and differently");
  }
  const draft = await proposal(ctx, client);
  if (!draft || draft.session.id !== taken.sessionId)
    throw new Refused("conflict", "This session has been decided already. Reload to see by whom and how.");
  const { decision } = draft;
  if (decision.action !== taken.computedAction)
    throw new Refused(
      "conflict",
      "The facts changed meanwhile and so did the draft. Reload, read the reasons, decide again.",
    );
  if (taken.action === "PROGRESS" && !draft.session.morning)
    throw attempted(
      "decision.early",
      new Refused(
        "conflict",
        "Nobody steps up before the next morning is known. Stay, step back or stop now, or wait for the answer.",
      ),
    );
  const next = draft.next[taken.action];
  const nextPlanId = await saveNext(ctx, client, draft, taken.action);
  const banks = taken.action === "HOLD" && decision.change.bank === 1;
  const written = await ctx.tx`
    insert into decision (id, clinic_id, session_id, input, computed_action, rules, reasons, action, override_reason,
      banks, sentence, next_plan_id, decided_at, decided_by)
    values (${taken.id}, ${ctx.actor.clinicId}, ${taken.sessionId}, ${ctx.tx.json(draft.input as never)},
      ${decision.action}, ${decision.rules}, ${decision.reasons.map((r) => r.reason)}, ${taken.action},
      ${taken.overrideReason}, ${banks}, ${decision.tellsTherapist ? `${next.sentence} ${TELL_TODAY}` : next.sentence}, ${nextPlanId}, ${ctx.now}, ${ctx.actor.personId})
    on conflict do nothing returning id`;
  if (written.length === 0)
    throw new Refused("conflict", "This session has been decided already. Reload to see by whom and how.");
  await audit(
    ctx,
    "decision.take",
    "floor_session",
    taken.sessionId,
    { computed: decision.action, rules: decision.rules },
    { action: taken.action, overrideReason: taken.overrideReason },
  );
}

/** Saves what the action makes of the plan; null when it stays as it is or ends. A barred step is not taken. */
async function saveNext(
  ctx: Ctx,
  client: ClientEpisode,
  draft: Proposal,
  action: Action,
): Promise<string | null> {
  const next = draft.next[action];
  const changed = next.plan && JSON.stringify(next.plan) !== JSON.stringify(draft.plan.plan);
  if (!next.plan || !changed) return null;
  const current = await currentPlan(ctx, client.episodeId);
  // somebody wrote a newer plan after this session: theirs stands, the decision only records the judgement
  if (current && current.id !== draft.plan.id) return null;
  if (next.bars)
    throw new Refused(
      "conflict",
      `The next step cannot be set: ${next.bars} Change the dose, or decide otherwise.`,
    );
  const saved = await savePlan(ctx, client, {
    id: randomUUID(),
    baseVersion: draft.plan.version,
    plan: next.plan,
  });
  return saved.id;
}
