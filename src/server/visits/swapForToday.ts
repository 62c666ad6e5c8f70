import "server-only";
import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { withOwn } from "@/core/rules/exercises";
import { openOf } from "@/core/selection/rank/rangeSheet";
import {
  boundsToday,
  SWAP_REASON_IDS,
  type SwapReason,
  type SwapTerm,
  swapCandidates,
} from "@/core/selection/swap/swap";
import { onOther } from "@/core/sheet/draft/onOther";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import { keep } from "@/core/sheet/judge/keep";
import { type KeptLine, keptLine } from "@/core/sheet/line/keptLine";
import { InputError } from "@/core/units/inputError";
import { asKept, type Said } from "@/core/units/said";
import type { VisitEvent } from "@/core/visit/visitEvent";
import type { swapAsked } from "@/core/visit/visitInput";
import { askedIn } from "@/core/visit/watched/elsewhere";
import { watchedFaults } from "@/core/visit/watched/seen";
import { type Ctx, mustMay } from "../base/context";
import { attempted, Refused } from "../base/refused";
import { type ClientEpisode, clientEpisodes } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { practiceFor } from "../client/stances";
import { contextOfSheet, sheetFacts } from "../facts/sheetFacts";
import { plannedAid } from "../history/aids";
import { regionsOf } from "../history/regions";
import { versionById } from "../versions/sheets";
import type { RunningVisit } from "./running";

/** What can stand in for a line today: the exercise, why, and the line with every figure, ready to run. */
export interface SwapForToday {
  exerciseId: string;
  name: string;
  because: SwapTerm[];
  changes: Said[];
  to: KeptLine;
}

const MOST_OFFERED = 6;

/** What can stand in for a line of a visit that is under way. */
export async function swapsOfVisit(
  ctx: Ctx,
  visitId: string,
  asked: z.infer<typeof swapAsked>,
): Promise<SwapForToday[]> {
  mustMay(ctx, "swap.take");
  const [found] = await ctx.tx`select episode_id, version_id, lines from visit where id = ${visitId}`;
  if (!found)
    throw new Refused("missing", "This visit is not known at the clinic yet. Try again in a moment.");
  const visit = {
    episodeId: found.episode_id,
    versionId: found.version_id,
    lines: keptLine.array().parse(found.lines ?? []),
  };
  return swapsForToday(ctx, visit, asked.lineId, asked.reason);
}

type Visited = Pick<RunningVisit, "episodeId" | "versionId" | "lines">;

/** The best exercises in place of a line for a reason, each judged under today's stricter limits. Best first. */
async function swapsForToday(
  ctx: Ctx,
  visit: Visited,
  lineId: string,
  reason: SwapReason,
): Promise<SwapForToday[]> {
  const asked = await askedOf(ctx, visit, lineId, reason);
  const found: SwapForToday[] = [];
  for (const c of asked.candidates) {
    if (found.length === MOST_OFFERED) break;
    const to = asked.lineOn(c.e.id);
    if (to) found.push({ exerciseId: c.e.id, name: c.e.name, because: c.because, changes: c.changes, to });
  }
  return found;
}

async function askedOf(ctx: Ctx, visit: Visited, lineId: string, reason: SwapReason) {
  const client = await clientOf(ctx, visit.episodeId);
  const version = await versionById(ctx, visit.versionId);
  const planned = version.lines.find((l) => l.plan.lineId === lineId)?.plan;
  if (!planned) throw new InputError("lineId", "This line is not on the sheet. Reload the floor.");
  const facts = await sheetFacts(ctx, client);
  const usual = await contextOfSheet(ctx, client, version);
  const today = boundsToday(usual.sheet.limits, reason);
  const context = { ...usual, sheet: { ...usual.sheet, limits: today } };
  const exercises = withOwn(facts.choose.ownExercises);
  const exercise = exercises.find((e) => e.id === planned.exerciseId);
  if (!exercise) throw new InputError("lineId", "The planned exercise is not in the library any more.");
  const candidates = swapCandidates({
    planned: exercise,
    exercises,
    limits: usual.sheet.limits,
    reason,
    families: new Set(facts.choose.machines.map((m) => m.family)),
    weight: facts.choose.weight,
  });
  const conditionIds = (await conditionsOf(ctx, visit.episodeId)).map((c) => c.condition.id);
  const followed = await regionsOf(ctx, visit.episodeId);
  const aidOf = await plannedAid(ctx, visit.episodeId);
  const { foot } = await practiceFor(ctx, visit.episodeId);
  const running = visit.lines.find((l) => l.lineId === lineId);
  const names = new Map(facts.choose.machines.map((m) => [m.id, m.name]));
  const lineOn = (exerciseId: string): KeptLine | null => {
    const e = candidates.find((c) => c.e.id === exerciseId)?.e;
    const open = e && openOf(e, context.sheet);
    if (!open || "reasons" in open) return null;
    const made = onOther(open, { ...planned, sharesRests: false }, context);
    const [judged] = made ? judgeScore([made], context) : [];
    if (!judged || judged.bars.length > 0) return null;
    const kept = keep(judged, context, names);
    return {
      ...kept,
      painMax: Math.min(kept.painMax, running?.painMax ?? kept.painMax),
      faults: watchedFaults(e, conditionIds, [], foot),
      regions: askedIn(e, followed, client),
      aid: aidOf(e.id),
    };
  };
  return { client, exercise, candidates, lineOn };
}

async function clientOf(ctx: Ctx, episodeId: string): Promise<ClientEpisode> {
  const [client] = await clientEpisodes(ctx, { episodeIds: [episodeId] });
  if (!client) throw new Refused("missing", "This client is not in care any more.");
  return client;
}

/** A swap as the tablet logged it is asked of the core again: only what the clinic computes for today is run. */
export async function checkedSwap(
  ctx: Ctx,
  visit: Visited,
  entry: Extract<VisitEvent, { type: "swap" }>,
): Promise<void> {
  const reason = SWAP_REASON_IDS.find((r) => r === entry.why);
  if (!reason) throw new InputError("why", { code: "input.swap_why" });
  const asked = await askedOf(ctx, visit, entry.lineId, reason);
  const to = asked.lineOn(entry.to.exerciseId);
  if (!to || JSON.stringify(keptLine.parse(to)) !== JSON.stringify(keptLine.parse(entry.to)))
    throw attempted(
      "plan.barred",
      new Refused("conflict", `${entry.to.name} does not fit today, or limits changed: choose again.`),
    );
  await ctx.tx`
    insert into exercise_swap (id, clinic_id, episode_id, planned, chosen, why, pain, reason, changes, made_by, made_at)
    values (${randomUUID()}, ${ctx.actor.clinicId}, ${visit.episodeId}, ${asked.exercise.id}, ${entry.to.exerciseId},
      ${reason}, null, '', ${(asked.candidates.find((c) => c.e.id === entry.to.exerciseId)?.changes ?? []).map(asKept)},
      ${ctx.actor.personId}, ${ctx.now})`;
}
