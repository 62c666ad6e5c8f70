import "server-only";
import { phaseLimits } from "@/core/phases/phaseLimits";
import { type Condition, conditionById, type Phase } from "@/core/rules/conditions";
import type { LimitsRecord } from "@/core/rules/limitsRecord";
import { stanceId } from "@/core/rules/stances";
import { fullWeeksBetween } from "@/core/units/days";
import { rowsOf } from "../base/batch";
import { type Ctx, once, today } from "../base/context";
import { optionInForce, type StancesInForce, stancesInForce } from "./stances";

/** A condition of an episode with what the rule base makes of it today. */
export interface EpisodeCondition {
  rowId: string;
  version: number;
  condition: Condition;
  phase: Phase;
  phaseSince: string;
  /** a therapist confirmed the phase; until then the first one's limits hold */
  isConfirmed: boolean;
  beganOn: string;
  variantId: string;
  variantName: string;
  functionalMet: string[];
  /** full weeks since surgery or onset */
  week: number;
  /** school id -> option id where clinic or client chose one */
  choices: Record<string, string>;
  limits: LimitsRecord;
}

/** The conditions of an episode in the phase a therapist confirmed, with their limits on this day. */
export const conditionsOf = (ctx: Ctx, episodeId: string): Promise<EpisodeCondition[]> =>
  once(ctx, `conditions ${episodeId}`, () => readConditions(ctx, episodeId));

async function readConditions(ctx: Ctx, episodeId: string): Promise<EpisodeCondition[]> {
  const rows = await rowsOf(
    ctx,
    "conditions",
    episodeId,
    (keys) => ctx.tx`
      select episode_id as of, id, version, condition_id, variant_id, phase_id, phase_since, confirmed_at,
        functional_met, began_on
      from episode_condition where episode_id = any(${keys}::uuid[]) and ended_on is null order by set_at, condition_id`,
  );
  if (rows.length === 0) return [];
  const stances = await stancesInForce(ctx, episodeId);
  return rows.map((r) => {
    const condition = conditionById(r.condition_id);
    const phase = condition?.phases.find((p) => p.id === r.phase_id);
    const variant = condition?.variants.find((v) => v.id === r.variant_id);
    if (!condition || !phase || !variant)
      throw new Error(`The rule base has no ${r.condition_id} / ${r.variant_id} / ${r.phase_id}.`);
    const week = fullWeeksBetween(r.began_on, today(ctx));
    const choices = choicesFor(condition, stances);
    return {
      rowId: r.id,
      version: r.version,
      condition,
      phase,
      phaseSince: r.phase_since,
      isConfirmed: r.confirmed_at !== null,
      beganOn: r.began_on,
      variantId: variant.id,
      variantName: variant.name,
      functionalMet: r.functional_met,
      week,
      choices,
      limits: phaseLimits(condition, phase, { variantId: variant.id, choices, week }),
    };
  });
}

/** The options in force for a condition's questions; what nobody chose is left to its default. */
function choicesFor(condition: Condition, stances: StancesInForce): Record<string, string> {
  return Object.fromEntries(
    condition.schools.flatMap((s) => {
      const option = optionInForce(stances, stanceId(condition.id, s.id));
      return option === null ? [] : [[s.id, option]];
    }),
  );
}
