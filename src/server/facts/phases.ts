import "server-only";
import { findingsFrom } from "@/core/measure/findings";
import type { ClientFindings } from "@/core/phases/phaseCriteria";
import { phaseStep } from "@/core/phases/phaseEntry";
import type { FunctionalTick, PhaseChange } from "@/core/phases/phaseInput";
import { fullWeeksBetween } from "@/core/units/days";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { type Ctx, mustMay, today } from "../base/context";
import { Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf, type EpisodeCondition } from "../client/conditions";
import { testsOf } from "../measure/measurements";
import { findingsOnFile } from "../measure/otherMeasurements";

/** What is known of the client in the terms of a condition's exit criteria. */
export async function findingsOf(
  ctx: Ctx,
  client: ClientEpisode,
  c: EpisodeCondition,
): Promise<ClientFindings> {
  return findingsFrom({
    measurements: await findingsOnFile(ctx, client),
    strength: await testsOf(ctx, client.episodeId),
    side: client.side,
    today: today(ctx),
    weeks: c.week,
    weeksInPhase: fullWeeksBetween(c.phaseSince, today(ctx)),
    functionalMet: c.functionalMet,
  });
}

async function ownCondition(ctx: Ctx, client: ClientEpisode, rowId: string): Promise<EpisodeCondition> {
  const c = (await conditionsOf(ctx, client.episodeId)).find((x) => x.rowId === rowId);
  if (!c) throw new Refused("missing", "This condition is not there any more. Reload the page.");
  return c;
}

const CHANGED = new Refused(
  "conflict",
  "Somebody changed this phase meanwhile. Reload the page, look again and decide.",
);

/** Confirms another phase: one step on when every criterion is met, or with a written reason; back at any time. */
export async function confirmPhase(ctx: Ctx, client: ClientEpisode, input: PhaseChange): Promise<void> {
  mustMay(ctx, "phase.confirm");
  const c = await ownCondition(ctx, client, input.conditionRowId);
  const step = phaseStep(
    c.condition,
    { phaseId: c.phase.id, isConfirmed: c.isConfirmed },
    input.phaseId,
    await findingsOf(ctx, client, c),
  );
  if (!step.possible) throw new InputError("phaseId", step.why);
  const reason = input.reason && input.reason.length >= 5 ? input.reason : null;
  if (step.needsReason && reason === null)
    throw new InputError(
      "reason",
      "Not every criterion is met; weeks alone open no phase. Confirm it with a written reason, or wait.",
    );
  const rows = await ctx.tx`
    update episode_condition set phase_id = ${input.phaseId}, 
      phase_since = case when phase_id = ${input.phaseId} then phase_since else ${today(ctx)} end,
      functional_met = case when phase_id = ${input.phaseId} then functional_met else '{}' end,
      confirmed_at = ${ctx.now},
      version = version + 1
    where id = ${c.rowId} and version = ${input.version} returning id`;
  if (rows.length === 0) throw CHANGED;
  await audit(
    ctx,
    "phase.confirm",
    "episode_condition",
    client.episodeId,
    { condition: c.condition.name, phase: c.phase.name },
    {
      condition: c.condition.name,
      phase: c.condition.phases.find((p) => p.id === input.phaseId)?.name ?? input.phaseId,
      reason,
    },
  );
}

/** Ticks what the person can do. */
export async function tickFunctional(ctx: Ctx, client: ClientEpisode, input: FunctionalTick): Promise<void> {
  mustMay(ctx, "phase.confirm");
  const c = await ownCondition(ctx, client, input.conditionRowId);
  if (!c.phase.exit_criteria.functional.includes(input.criterion))
    throw new InputError("criterion", "This phase has no such criterion. Reload the page.");
  const met = c.functionalMet.filter((id) => id !== input.criterion);
  const rows = await ctx.tx`
    update episode_condition set functional_met = ${input.isMet ? [...met, input.criterion] : met}, version = version + 1
    where id = ${c.rowId} and version = ${input.version} returning id`;
  if (rows.length === 0) throw CHANGED;
  await audit(
    ctx,
    "phase.tick",
    "episode_condition",
    client.episodeId,
    { can: input.criterion, isMet: !input.isMet },
    { can: input.criterion, isMet: input.isMet },
  );
}
