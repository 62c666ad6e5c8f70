import "server-only";
import type { Limit } from "@/core/bounds/limit";
import { phaseLimits } from "@/core/phases/phaseLimits";
import { stancesOf } from "@/core/rules/stances";
import type { Ctx } from "../base/context";
import { limitsWith } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import type { EpisodeCondition } from "../client/conditions";

/** What would bound the work if one question of schools were answered otherwise for this client; all else stays as it is. */
export async function limitsUnder(
  ctx: Ctx,
  client: ClientEpisode,
  conditions: readonly EpisodeCondition[],
  stanceId: string,
  optionId: string,
): Promise<Limit[]> {
  const changed = conditions.map((c) => answered(c, stanceId, optionId));
  return limitsWith(ctx, client, changed);
}

/** A condition with its question answered so; as it is where it has no such question or answer. */
function answered(c: EpisodeCondition, stanceId: string, optionId: string): EpisodeCondition {
  const asked = stancesOf(c.condition, c.variantId).find((s) => s.id === stanceId);
  if (!asked?.options.some((o) => o.id === optionId)) return c;
  const choices = { ...c.choices, [asked.id.split(".")[1] ?? ""]: optionId };
  const of = { variantId: c.variantId, choices, week: c.week };
  return { ...c, choices, limits: phaseLimits(c.condition, c.phase, of) };
}
