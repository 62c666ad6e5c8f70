import { SCALES } from "../bounds/scales";
import type { LimitsRecord } from "../rules/limitsRecord";
import { mergeOpenChain } from "./mergeOpenChain";
import { joined, smallerBound, stricterWord } from "./stricterOf";

/**
 * The stricter of two limit records, field by field: smallest depth, smallest load, narrowest arc, lowest demand, true
 * for every "avoid". Never wider than either, in any order. Frequency is the first one's.
 */
export function mergeLimits(a: LimitsRecord, b: LimitsRecord): LimitsRecord {
  return {
    knee_flexion_loaded_deg: {
      min: Math.max(a.knee_flexion_loaded_deg.min, b.knee_flexion_loaded_deg.min),
      max: Math.min(a.knee_flexion_loaded_deg.max, b.knee_flexion_loaded_deg.max),
    },
    open_chain_extension: mergeOpenChain(a.open_chain_extension, b.open_chain_extension),
    static_quad: stricterWord(SCALES.staticQuad, a.static_quad, b.static_quad),
    closed_chain: {
      ...a.closed_chain,
      max_depth_deg: Math.min(a.closed_chain.max_depth_deg, b.closed_chain.max_depth_deg),
      max_rel_load_pct: smallerBound(a.closed_chain.max_rel_load_pct, b.closed_chain.max_rel_load_pct),
      single_leg_allowed: a.closed_chain.single_leg_allowed && b.closed_chain.single_leg_allowed,
    },
    resisted_knee_flexion: {
      rule: stricterWord(SCALES.kneeFlexion, a.resisted_knee_flexion.rule, b.resisted_knee_flexion.rule),
      max_flexion_deg: smallerBound(
        a.resisted_knee_flexion.max_flexion_deg,
        b.resisted_knee_flexion.max_flexion_deg,
      ),
      max_rel_load_pct: smallerBound(
        a.resisted_knee_flexion.max_rel_load_pct,
        b.resisted_knee_flexion.max_rel_load_pct,
      ),
    },
    weight_bearing: stricterWord(SCALES.weightBearing, a.weight_bearing, b.weight_bearing),
    hip: mergeHip(a.hip, b.hip),
    lumbar: {
      avoid_loaded_flexion: a.lumbar.avoid_loaded_flexion || b.lumbar.avoid_loaded_flexion,
      avoid_loaded_extension: a.lumbar.avoid_loaded_extension || b.lumbar.avoid_loaded_extension,
      max_demand_0_3: Math.min(a.lumbar.max_demand_0_3, b.lumbar.max_demand_0_3),
    },
    axial_load_max: stricterWord(SCALES.axial, a.axial_load_max, b.axial_load_max),
    kneeling: stricterWord(SCALES.kneeling, a.kneeling, b.kneeling),
    impact: stricterWord(SCALES.impact, a.impact, b.impact),
    balance_demand_max_0_3: Math.min(a.balance_demand_max_0_3, b.balance_demand_max_0_3),
    entry_demand_max_1_4: Math.min(a.entry_demand_max_1_4, b.entry_demand_max_1_4),
    avoid_knee_side_stress: joined(a.avoid_knee_side_stress, b.avoid_knee_side_stress),
    effort: {
      max_rpe_0_10: Math.min(a.effort.max_rpe_0_10, b.effort.max_rpe_0_10),
      min_reps_in_reserve: Math.max(a.effort.min_reps_in_reserve, b.effort.min_reps_in_reserve),
    },
    pain: mergePain(a.pain, b.pain),
    exercises_blocked: joined(a.exercises_blocked, b.exercises_blocked),
    classes_blocked: joined(a.classes_blocked, b.classes_blocked),
    positions_blocked: joined(a.positions_blocked, b.positions_blocked),
    machines: [a.machines, b.machines].includes("therapist_present") ? "therapist_present" : "free",
    isometric_first: a.isometric_first || b.isometric_first,
    frequency: a.frequency,
  };
}

function mergeHip(a: LimitsRecord["hip"], b: LimitsRecord["hip"]): LimitsRecord["hip"] {
  return {
    flexion_max_deg: Math.min(a.flexion_max_deg, b.flexion_max_deg),
    resisted_abduction: stricterWord(SCALES.hip, a.resisted_abduction, b.resisted_abduction),
    resisted_adduction: stricterWord(SCALES.hip, a.resisted_adduction, b.resisted_adduction),
    resisted_flexion: stricterWord(SCALES.hip, a.resisted_flexion, b.resisted_flexion),
    adduction_past_midline: a.adduction_past_midline && b.adduction_past_midline,
    extension_past_neutral: a.extension_past_neutral && b.extension_past_neutral,
    note: [a.note, b.note].filter(Boolean).join("; ") || null,
  };
}

function mergePain(a: LimitsRecord["pain"], b: LimitsRecord["pain"]): LimitsRecord["pain"] {
  return {
    school: [a.school, b.school].includes("pain_free") ? "pain_free" : "pain_monitoring",
    max_joint_pain_during_0_10: Math.min(a.max_joint_pain_during_0_10, b.max_joint_pain_during_0_10),
    max_rise_during_0_10: smallerBound(a.max_rise_during_0_10, b.max_rise_during_0_10),
    max_rise_next_morning_0_10: Math.min(a.max_rise_next_morning_0_10, b.max_rise_next_morning_0_10),
  };
}
