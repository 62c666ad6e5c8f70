import { bindsAnything, type Limit } from "../bounds/limit";
import { limitsOfRecord } from "../rules/limitsOfRecord";
import type { LimitsOverride, LimitsRecord } from "../rules/limitsRecord";
import { applyOverride } from "./applyOverride";

/** A record that bounds nothing: the ground on which part of a record is read. Never a client's limits. */
const FREE_LIMITS: LimitsRecord = {
  knee_flexion_loaded_deg: { min: 0, max: 130 },
  open_chain_extension: {
    rule: "free",
    from_deg: 130,
    to_deg: 0,
    max_rel_load_pct: null,
    load_reference: null,
    isometric_angles_deg: [0, 130],
    isometric_effort_max_pct: null,
    week_schedule: [],
  },
  static_quad: "free",
  closed_chain: {
    max_depth_deg: 130,
    max_rel_load_pct: null,
    load_reference: "own e1RM inside the allowed arc",
    single_leg_allowed: true,
  },
  resisted_knee_flexion: { rule: "free", max_flexion_deg: null, max_rel_load_pct: null },
  weight_bearing: "full",
  hip: {
    flexion_max_deg: 130,
    resisted_abduction: "free",
    resisted_adduction: "free",
    resisted_flexion: "free",
    adduction_past_midline: true,
    extension_past_neutral: true,
    note: null,
  },
  lumbar: { avoid_loaded_flexion: false, avoid_loaded_extension: false, max_demand_0_3: 3 },
  axial_load_max: "high",
  kneeling: "yes",
  impact: "full",
  balance_demand_max_0_3: 3,
  entry_demand_max_1_4: 4,
  avoid_knee_side_stress: [],
  effort: { max_rpe_0_10: 10, min_reps_in_reserve: 0 },
  pain: {
    school: "pain_monitoring",
    max_joint_pain_during_0_10: 10,
    max_rise_during_0_10: null,
    max_rise_next_morning_0_10: 10,
  },
  exercises_blocked: [],
  classes_blocked: [],
  positions_blocked: [],
  machines: "free",
  isometric_first: false,
  frequency: { sessions_per_week: [1, 7], note: null },
};

/** What part of a record bounds, as single limits. */
export const limitsOfOverride = (
  override: LimitsOverride,
  because: string,
  idPrefix: string,
  origin: Limit["origin"],
): Limit[] =>
  limitsOfRecord(applyOverride(FREE_LIMITS, override), because, idPrefix, origin).filter(bindsAnything);
