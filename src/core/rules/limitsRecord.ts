import { z } from "zod";
import { SCALES } from "../bounds/scales";

const deg = z.number().min(0).max(150);
const pct = z.number().min(0).max(100).nullable();
const score = z.number().min(0).max(10);

export const LIMB_WEIGHT_ONLY = "limb weight only";

/** Rule for extension with the foot free: from the bent end to the straight end of an arc, holds inside angles. */
export const openChainExtension = z.object({
  rule: z.enum(SCALES.openChain),
  from_deg: deg.nullable(),
  to_deg: deg.nullable(),
  /** percent of load_reference; null: limb weight only or not applicable */
  max_rel_load_pct: pct,
  load_reference: z.string().nullable(),
  isometric_angles_deg: z.tuple([deg, deg]).nullable(),
  isometric_effort_max_pct: pct,
  week_schedule: z.array(z.object({ week: z.number().int().min(0), to_deg: deg })),
  why: z.string().optional(),
});
export type OpenChainExtension = z.infer<typeof openChainExtension>;

const resistedKneeFlexion = z.object({
  rule: z.enum(SCALES.kneeFlexion),
  max_flexion_deg: deg.nullable(),
  max_rel_load_pct: pct,
  why: z.string().optional(),
});

const kneeFlexionLoaded = z.object({ min: deg, max: deg });
const closedChain = z.object({
  max_depth_deg: deg,
  max_rel_load_pct: pct,
  load_reference: z.string(),
  single_leg_allowed: z.boolean(),
});
const hip = z.object({
  flexion_max_deg: deg,
  resisted_abduction: z.enum(SCALES.hip),
  resisted_adduction: z.enum(SCALES.hip),
  resisted_flexion: z.enum(SCALES.hip),
  adduction_past_midline: z.boolean(),
  extension_past_neutral: z.boolean(),
  note: z.string().nullable(),
});
const lumbar = z.object({
  avoid_loaded_flexion: z.boolean(),
  avoid_loaded_extension: z.boolean(),
  max_demand_0_3: z.number().int().min(0).max(3),
});
const sideStress = z.enum(["inner_side", "inward_and_twist", "outer_side"]);
const effort = z.object({ max_rpe_0_10: score, min_reps_in_reserve: z.number().int().min(0) });
const pain = z.object({
  school: z.enum(SCALES.painSchool),
  max_joint_pain_during_0_10: score,
  max_rise_during_0_10: score.nullable(),
  max_rise_next_morning_0_10: score,
});
const frequency = z.object({
  sessions_per_week: z.tuple([z.number(), z.number()]),
  note: z.string().nullable(),
});

const fields = {
  knee_flexion_loaded_deg: kneeFlexionLoaded,
  open_chain_extension: openChainExtension,
  static_quad: z.enum(SCALES.staticQuad),
  closed_chain: closedChain,
  resisted_knee_flexion: resistedKneeFlexion,
  weight_bearing: z.enum(SCALES.weightBearing),
  hip,
  lumbar,
  axial_load_max: z.enum(SCALES.axial),
  kneeling: z.enum(SCALES.kneeling),
  impact: z.enum(SCALES.impact),
  balance_demand_max_0_3: z.number().int().min(0).max(3),
  entry_demand_max_1_4: z.number().int().min(1).max(4),
  avoid_knee_side_stress: z.array(sideStress),
  effort,
  pain,
  exercises_blocked: z.array(z.string()),
  classes_blocked: z.array(z.string()),
  positions_blocked: z.array(z.string()),
  machines: z.enum(SCALES.machines),
  isometric_first: z.boolean(),
  frequency,
};

/** Everything a phase bounds, in the open format of the rule data. Angles are knee flexion, 0° straight. */
export const limitsRecord = z.strictObject(fields);
export type LimitsRecord = z.infer<typeof limitsRecord>;

/** Part of a record: what a variant, a stance or a caution changes. Nested parts may be partial too. */
export const limitsOverride = z.strictObject({
  ...Object.fromEntries(Object.entries(fields).map(([key, schema]) => [key, schema.optional()])),
  closed_chain: closedChain.partial().optional(),
  hip: hip.partial().optional(),
  lumbar: lumbar.partial().optional(),
}) as unknown as z.ZodType<LimitsOverride>;

export type LimitsOverride = Partial<Omit<LimitsRecord, "closed_chain" | "hip" | "lumbar">> & {
  closed_chain?: Partial<LimitsRecord["closed_chain"]>;
  hip?: Partial<LimitsRecord["hip"]>;
  lumbar?: Partial<LimitsRecord["lumbar"]>;
};
