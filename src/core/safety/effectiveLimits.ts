import { LIMB_WEIGHT_ONLY, type LimitsOverride, type LimitsRecord } from "../rules/limitsRecord";
import { applyOverride } from "./applyOverride";
import { type CombinedLimits, combineConditions } from "./combineConditions";
import type { Limit } from "./limits";
import { mergeLimits } from "./mergeLimits";

/** A record made stricter by part of another one; where the part is wider, it changes nothing. */
export const tightenedBy = (limits: LimitsRecord, override: LimitsOverride): LimitsRecord =>
  mergeLimits(limits, applyOverride(limits, override));

/** What a single written bound changes in a record: for the fit of exercises. */
export function overrideOf(l: Limit, base: LimitsRecord): LimitsOverride {
  const open = base.open_chain_extension;
  switch (l.kind) {
    case "knee_flexion_under_load": {
      const { min, max } = base.knee_flexion_loaded_deg;
      return { knee_flexion_loaded_deg: { min: l.low ?? min, max: l.high ?? max } };
    }
    case "extension_hold_angles":
      return {
        open_chain_extension: {
          ...open,
          isometric_angles_deg:
            l.low !== null && l.high !== null && l.low > l.high ? null : [l.low ?? 0, l.high ?? 130],
        },
      };
    case "hold_effort":
      return { open_chain_extension: { ...open, isometric_effort_max_pct: l.high } };
    case "open_chain_extension":
      return { open_chain_extension: openChain(l, open) };
    case "open_chain_load":
      return {
        open_chain_extension:
          l.high === 0
            ? { ...open, max_rel_load_pct: null, load_reference: LIMB_WEIGHT_ONLY }
            : { ...open, max_rel_load_pct: l.high },
      };
    case "closed_chain_depth":
      return l.high === null ? {} : { closed_chain: { max_depth_deg: l.high } };
    case "closed_chain_load":
      return { closed_chain: { max_rel_load_pct: l.high } };
    case "single_leg":
      return { closed_chain: { single_leg_allowed: l.word === "yes" } };
    case "resisted_knee_flexion":
      return {
        resisted_knee_flexion: {
          ...base.resisted_knee_flexion,
          rule: (l.word ?? "free") as LimitsRecord["resisted_knee_flexion"]["rule"],
          max_flexion_deg: l.high ?? base.resisted_knee_flexion.max_flexion_deg,
        },
      };
    case "weight_bearing":
      return { weight_bearing: l.word as LimitsRecord["weight_bearing"] };
    case "hip_flexion":
      return l.high === null ? {} : { hip: { flexion_max_deg: l.high } };
    case "back_bending":
      return { lumbar: { avoid_loaded_flexion: l.word === "avoid" } };
    case "back_arching":
      return { lumbar: { avoid_loaded_extension: l.word === "avoid" } };
    case "back_demand":
      return l.high === null ? {} : { lumbar: { max_demand_0_3: l.high } };
    case "weight_on_shoulders":
      return { axial_load_max: l.word as LimitsRecord["axial_load_max"] };
    case "kneeling":
      return { kneeling: l.word as LimitsRecord["kneeling"] };
    case "impact":
      return { impact: l.word as LimitsRecord["impact"] };
    case "balance_demand":
      return l.high === null ? {} : { balance_demand_max_0_3: l.high };
    case "joint_pain":
      return l.high === null ? {} : { pain: { ...base.pain, max_joint_pain_during_0_10: l.high } };
    case "felt_effort":
      return l.high === null ? {} : { effort: { ...base.effort, max_rpe_0_10: l.high } };
    // caps on a hold's length and kilograms on the leg are read where holds and presses are dosed
    case "hold_seconds":
    case "weight_on_leg":
      return {};
  }
}

type OpenChain = LimitsRecord["open_chain_extension"];

function openChain(l: Limit, open: OpenChain): OpenChain {
  const rule = (l.word ?? "free") as OpenChain["rule"];
  if (rule === "arc")
    return { ...open, rule, from_deg: l.high ?? 130, to_deg: l.low ?? 0, week_schedule: [] };
  if (rule === "none" || rule === "isometric")
    return {
      ...open,
      rule,
      from_deg: null,
      to_deg: null,
      max_rel_load_pct: null,
      week_schedule: [],
      ...(rule === "none" ? { isometric_angles_deg: null, isometric_effort_max_pct: null } : {}),
    };
  return { ...open, rule };
}

/**
 * Everything together: conditions merged strictly, then warning-sign cautions, then what surgeon and therapist wrote.
 * Never wider than any of them.
 */
export function effectiveLimits(
  parts: readonly { conditionId: string; limits: LimitsRecord }[],
  cautions: readonly LimitsOverride[],
  written: readonly Limit[],
): CombinedLimits {
  const combined = combineConditions(parts);
  const cautious = cautions.reduce(tightenedBy, combined.limits);
  const limits = written.reduce((r, l) => tightenedBy(r, overrideOf(l, r)), cautious);
  return { ...combined, limits };
}
