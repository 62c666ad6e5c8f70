import "server-only";
import { EXERCISES } from "@/core/rules/exercises";
import { stanceById } from "@/core/rules/stances";
import { effectiveLimits } from "@/core/safety/effectiveLimits";
import { fitExercise } from "@/core/safety/fitExercise";
import { isInForce } from "@/core/safety/limits";
import { changedLimits } from "@/core/safety/limitWords";
import { phaseLimits } from "@/core/safety/phaseLimits";
import { InputError } from "@/core/units/inputError";
import type { ClientEpisode } from "./clients";
import { conditionsOf, type EpisodeCondition } from "./conditions";
import { type Ctx, mustMay, today } from "./context";
import { limitsOfConditions, writtenLimits } from "./limits";
import { screeningStateOf } from "./screenings";

/** What choosing a stance would change for this client today, in words: limits, and which exercises fit. */
export async function previewStance(
  ctx: Ctx,
  client: ClientEpisode,
  id: string,
  optionId: string,
): Promise<{ limits: string[]; exercises: string[] }> {
  mustMay(ctx, "client.read");
  const stance = stanceById(id);
  if (!stance?.options.some((o) => o.id === optionId))
    throw new InputError("optionId", "Choose one of the answers.");
  const before = await conditionsOf(ctx, client.episodeId);
  const after = before.map((c) => withChoice(c, stance.id, optionId));
  const written = (await writtenLimits(ctx, client.episodeId)).filter((l) => isInForce(l, today(ctx)));
  const cautions = (await screeningStateOf(ctx, client)).standing.map((s) => s.flag.limit_overrides.limits);
  const record = (parts: EpisodeCondition[]) =>
    effectiveLimits(
      parts.map((c) => ({ conditionId: c.condition.id, limits: c.limits })),
      cautions,
      written,
    ).limits;
  if (before.length === 0) return { limits: [], exercises: [] };
  return {
    limits: changedLimits(
      [...written, ...limitsOfConditions(before)],
      [...written, ...limitsOfConditions(after)],
      today(ctx),
    ),
    exercises: changedExercises(record(before), record(after)),
  };
}

function withChoice(c: EpisodeCondition, id: string, optionId: string): EpisodeCondition {
  const [conditionId, school] = id.split(".");
  if (conditionId !== c.condition.id || !school) return c;
  const choices = { ...c.choices, [school]: optionId };
  return {
    ...c,
    choices,
    limits: phaseLimits(c.condition, c.phase, { variantId: c.variantId, choices, week: c.week }),
  };
}

type Fit = Parameters<typeof fitExercise>[1];

function changedExercises(before: Fit, after: Fit): string[] {
  return EXERCISES.flatMap((e) => {
    const [a, b] = [fitExercise(e, before).status, fitExercise(e, after).status];
    return a === b ? [] : [`${e.name}: ${a} → ${b}`];
  });
}
