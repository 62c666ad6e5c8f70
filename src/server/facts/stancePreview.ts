import "server-only";
import { changedLimits } from "@/core/bounds/changes";
import { inForce } from "@/core/bounds/inForce";
import { EXERCISES } from "@/core/rules/exercises";
import { stanceById } from "@/core/rules/stances";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { InputError } from "@/core/units/inputError";
import { type Ctx, mustMay, today } from "../base/context";
import { limitsWith } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { limitsUnder } from "./underStance";

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
    throw new InputError("optionId", { code: "input.choose_answer" });
  const before = await conditionsOf(ctx, client.episodeId);
  if (before.length === 0) return { limits: [], exercises: [] };
  const was = await limitsWith(ctx, client, before);
  const would = await limitsUnder(ctx, client, before, stance.id, optionId);
  const day = today(ctx);
  return {
    limits: changedLimits(was, would, day),
    exercises: changedExercises(inForce(was, day), inForce(would, day)),
  };
}

type Fit = Parameters<typeof fitExercise>[1];

function changedExercises(before: Fit, after: Fit): string[] {
  return EXERCISES.flatMap((e) => {
    const [a, b] = [fitExercise(e, before).status, fitExercise(e, after).status];
    return a === b ? [] : [`${e.name}: ${a} → ${b}`];
  });
}
