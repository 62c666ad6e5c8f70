import "server-only";
import type { Limit } from "@/core/bounds/limit";
import { phaseLimits } from "@/core/phases/phaseLimits";
import { stancesOf } from "@/core/rules/stances";
import type { Ctx } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import type { EpisodeCondition } from "../client/conditions";
import { limitsWith } from "./limits";

/**
 * What would bound the work if one question of schools were answered otherwise for this client; all else stays as it is.
 * Null where the conditions have no such question or answer.
 */
export async function limitsUnder(
  ctx: Ctx,
  client: ClientEpisode,
  conditions: readonly EpisodeCondition[],
  stanceId: string,
  optionId: string,
): Promise<Limit[] | null> {
  for (const c of conditions) {
    const asked = stancesOf(c.condition, c.variantId).find((s) => s.id === stanceId);
    if (!asked?.options.some((o) => o.id === optionId)) continue;
    const choices = { ...c.choices, [asked.id.split(".")[1] ?? ""]: optionId };
    const changed = {
      ...c,
      choices,
      limits: phaseLimits(c.condition, c.phase, { variantId: c.variantId, choices, week: c.week }),
    };
    return limitsWith(
      ctx,
      client,
      conditions.map((x) => (x === c ? changed : x)),
    );
  }
  return null;
}
