import type { Condition, Phase } from "../rules/conditions";
import type { LimitsOverride, LimitsRecord } from "../rules/limitsRecord";
import { applyOverride } from "./applyOverride";
import { mergeLimits } from "./mergeLimits";

export interface PhaseChoice {
  /** id of the variant; the first one when it is not known */
  variantId?: string | null;
  /** stance id -> option id; what is not chosen has its default */
  choices?: Readonly<Record<string, string>>;
  /** weeks since surgery or onset; opens a schedule step by step */
  week?: number | null;
}

/**
 * Limits of one condition in one phase: the phase's own, changed by the variant, then by each stance. Where a variant
 * and a stance (or two stances) set the same field the stricter value wins, unless the surgeon's choice may widen it.
 */
export function phaseLimits(condition: Condition, phase: Phase, choice: PhaseChoice = {}): LimitsRecord {
  const variant = condition.variants.find((v) => v.id === choice.variantId) ?? condition.variants[0];
  const byVariant = variant?.phase_overrides[phase.id] ?? {};
  let limits = applyOverride(phase.limits, byVariant);
  const touched = new Set(Object.keys(byVariant));
  for (const stance of condition.schools) {
    const chosen = choice.choices?.[stance.id] ?? variant?.school_defaults[stance.id] ?? stance.default;
    const option =
      stance.options.find((o) => o.id === chosen) ?? stance.options.find((o) => o.id === stance.default);
    const changes = option?.phase_overrides[phase.id];
    if (!option || !changes || Object.keys(changes).length === 0) continue;
    limits = option.may_widen_variant ? applyOverride(limits, changes) : withStance(limits, changes, touched);
    for (const key of Object.keys(changes)) touched.add(key);
  }
  return openedBySchedule(limits, choice.week ?? null);
}

function withStance(
  limits: LimitsRecord,
  changes: LimitsOverride,
  touched: ReadonlySet<string>,
): LimitsRecord {
  const candidate = applyOverride(limits, changes);
  const strict = mergeLimits(limits, candidate);
  const settled = Object.keys(changes).filter((key) => touched.has(key));
  return {
    ...candidate,
    ...Object.fromEntries(settled.map((key) => [key, strict[key as keyof LimitsRecord]])),
  };
}

/** The arc's straight end as the week's schedule has opened it so far. */
function openedBySchedule(limits: LimitsRecord, week: number | null): LimitsRecord {
  const rule = limits.open_chain_extension;
  if (week === null || rule.week_schedule.length === 0) return limits;
  const to_deg = rule.week_schedule.reduce((to, step) => (week >= step.week ? step.to_deg : to), rule.to_deg);
  return { ...limits, open_chain_extension: { ...rule, to_deg } };
}
