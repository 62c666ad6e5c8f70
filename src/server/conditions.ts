import "server-only";
import { z } from "zod";
import { type Condition, conditionById, type Phase } from "@/core/rules/conditions";
import type { LimitsRecord } from "@/core/rules/limitsRecord";
import { phaseLimits } from "@/core/safety/phaseLimits";
import { fullWeeksBetween } from "@/core/units/days";
import { type Ctx, today } from "./context";

/** A condition of an episode with what the rule base makes of it today. */
export interface EpisodeCondition {
  condition: Condition;
  phase: Phase;
  variantName: string;
  limits: LimitsRecord;
  /** the questions on which schools differ, with the answer in force */
  stances: { question: string; chosen: string; isDefault: boolean }[];
}

const stances = z.record(z.string(), z.string());

/** The conditions of an episode in the phase a therapist confirmed, with their limits on this day. */
export async function conditionsOf(ctx: Ctx, episodeId: string): Promise<EpisodeCondition[]> {
  const rows = await ctx.tx`
    select condition_id, variant_id, phase_id, began_on, stances from episode_condition
    where episode_id = ${episodeId} order by set_at, condition_id`;
  return rows.map((r) => {
    const condition = conditionById(r.condition_id);
    const phase = condition?.phases.find((p) => p.id === r.phase_id);
    const variant = condition?.variants.find((v) => v.id === r.variant_id);
    if (!condition || !phase || !variant)
      throw new Error(`The rule base has no ${r.condition_id} / ${r.variant_id} / ${r.phase_id}.`);
    const week = fullWeeksBetween(r.began_on, today(ctx));
    const choices = stances.parse(r.stances);
    const limits = phaseLimits(condition, phase, { variantId: variant.id, choices, week });
    const answers = condition.schools.map((s) => {
      const id = choices[s.id] ?? variant.school_defaults[s.id] ?? s.default;
      const chosen = s.options.find((o) => o.id === id)?.label ?? id;
      return { question: s.question, chosen, isDefault: choices[s.id] === undefined };
    });
    return { condition, phase, variantName: variant.name, limits, stances: answers };
  });
}
