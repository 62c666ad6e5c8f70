import "server-only";
import { changedLimits } from "@/core/bounds/changes";
import { inForce } from "@/core/bounds/inForce";
import { phaseLimits } from "@/core/phases/phaseLimits";
import { EXERCISES } from "@/core/rules/exercises";
import { stanceById } from "@/core/rules/stances";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { InputError } from "@/core/units/inputError";
import { type Ctx, mustMay, today } from "../base/context";
import { limitsWith } from "../bounds/limits";
import type { ClientEpisode } from "./clients";
import { conditionsOf, type EpisodeCondition } from "./conditions";

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
  if (before.length === 0) return { limits: [], exercises: [] };
  const of = (parts: EpisodeCondition[]) => limitsWith(ctx, client, parts);
  const [was, would] = [await of(before), await of(after)];
  const day = today(ctx);
  return {
    limits: changedLimits(was, would, day),
    exercises: changedExercises(inForce(was, day), inForce(would, day)),
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
