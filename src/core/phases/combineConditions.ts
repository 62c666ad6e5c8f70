import { SCALES } from "../bounds/scales";
import { CONFLICT_PAIRS, type ConflictPair } from "../rules/conditions";
import type { LimitsRecord } from "../rules/limitsRecord";
import { mergeLimits } from "./mergeLimits";
import { stricterWord } from "./stricterOf";

export interface CombinedLimits {
  limits: LimitsRecord;
  /** pairs that contradict each other, with whom to ask and why */
  conflicts: ConflictPair[];
}

/** Several conditions at once: strictest value field by field, then the pairs that contradict each other. */
export function combineConditions(
  parts: readonly { conditionId: string; limits: LimitsRecord }[],
): CombinedLimits {
  const [first, ...rest] = parts;
  if (!first) throw new Error("combineConditions needs at least one condition");
  const ids = new Set(parts.map((p) => p.conditionId));
  const conflicts = CONFLICT_PAIRS.filter((pair) => ids.has(pair.a) && ids.has(pair.b));
  const merged = rest.reduce((limits, part) => mergeLimits(limits, part.limits), first.limits);
  return { limits: conflicts.reduce(withConflict, merged), conflicts };
}

function withConflict(limits: LimitsRecord, { effect, why }: ConflictPair): LimitsRecord {
  const out = { ...limits };
  if (effect.open_chain_extension === "none")
    out.open_chain_extension = {
      rule: "none",
      from_deg: null,
      to_deg: null,
      max_rel_load_pct: null,
      load_reference: null,
      isometric_angles_deg: null,
      isometric_effort_max_pct: null,
      week_schedule: [],
      why,
    };
  if (effect.resisted_knee_flexion === "none")
    out.resisted_knee_flexion = { rule: "none", max_flexion_deg: null, max_rel_load_pct: null };
  if (effect.lumbar_max_demand !== undefined)
    out.lumbar = {
      ...out.lumbar,
      max_demand_0_3: Math.min(out.lumbar.max_demand_0_3, effect.lumbar_max_demand),
    };
  if (effect.axial) out.axial_load_max = stricterWord(SCALES.axial, out.axial_load_max, effect.axial);
  return out;
}
