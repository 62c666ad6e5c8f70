import { z } from "zod";
import { confidence } from "./confidence";
import { isCriterion } from "./criteria";
import data from "./data/conditions.json";
import { limitsOverride, limitsRecord } from "./limitsRecord";

const overrides = z.record(z.string(), limitsOverride);

const exitCriteria = z.object({
  extension_deficit_max_deg: z.number().nullable(),
  flexion_min_deg: z.number().nullable(),
  effusion_max: z.enum(["none", "trace", "1+", "2+", "3+"]).nullable(),
  quad_lag_max_deg: z.number().nullable(),
  quad_symmetry_min_pct: z.number().nullable(),
  hamstring_symmetry_min_pct: z.number().nullable(),
  resting_or_adl_pain_max_0_10: z.number().nullable(),
  /** what the person must be able to do, as a therapist judges it: ids of criteria */
  functional: z.array(z.string().refine(isCriterion)),
  min_weeks: z.number().nullable(),
  note: z.string().nullable(),
});

/** What work is for in a phase, from the first to the last. Rule D1. */
export const STAGES = ["protect", "wake", "learn", "build", "strong", "keep"] as const;
export type Stage = (typeof STAGES)[number];

const phase = z.object({
  id: z.string(),
  name: z.string(),
  stage: z.enum(STAGES),
  weeks: z.object({ from: z.number().int(), to: z.number().int().nullable() }),
  limits: limitsRecord,
  avoid: z.array(z.string()),
  caution: z.string(),
  exit_criteria: exitCriteria,
  source: z.string(),
  confidence,
  entry_state: z.string().optional(),
  clearance_required: z.string().optional(),
});
export type Phase = z.infer<typeof phase>;

const variant = z.object({
  id: z.string(),
  name: z.string(),
  phase_overrides: overrides,
  note: z.string().nullable(),
  school_defaults: z.record(z.string(), z.string()),
});

const stanceOption = z.object({
  id: z.string(),
  label: z.string(),
  reason: z.string(),
  phase_overrides: overrides,
  /** only hip precautions, which the surgeon chooses, may widen what a variant set */
  may_widen_variant: z.boolean(),
  source: z.string(),
  confidence,
  note: z.string().optional(),
});

/** A question on which schools of practice differ, with its options and the default. */
const stance = z.object({
  id: z.string(),
  question: z.string(),
  options: z.array(stanceOption).min(2),
  default: z.string(),
  default_reason: z.string(),
  who_may_choose: z.string(),
});

const condition = z.object({
  id: z.string(),
  name: z.string(),
  aliases: z.array(z.string()),
  kind: z.string(),
  clock: z.string(),
  /** always begins with surgery */
  is_surgical: z.boolean(),
  main_region: z.enum(["hip", "knee", "lumbar", "whole_body"]),
  variants: z.array(variant).min(1),
  schools: z.array(stance),
  avoid_always: z.array(z.string()),
  redflag_ids: z.array(z.string()),
  combine_note: z.string().nullable(),
  note: z.string().nullable(),
  sources: z.array(z.string()),
  phases: z.array(phase).min(1),
});
export type Condition = z.infer<typeof condition>;

const conflictPair = z.object({
  a: z.string(),
  b: z.string(),
  effect: z.object({
    open_chain_extension: z.literal("none").optional(),
    resisted_knee_flexion: z.literal("none").optional(),
    lumbar_max_demand: z.number().optional(),
    axial: z.enum(["none", "low", "high"]).optional(),
  }),
  ask: z.string(),
  why: z.string(),
});
export type ConflictPair = z.infer<typeof conflictPair>;

const file = z.object({
  conditions: z.array(condition).min(1),
  matching_rules: z.object({ conflict_pairs: z.array(conflictPair) }),
});

// validated once, when the module is loaded: broken rule data must not start
const parsed = file.parse(data);

/** The conditions the rule base covers; every value is an editable default for a licensed therapist. */
export const CONDITIONS: readonly Condition[] = parsed.conditions;
export const CONFLICT_PAIRS: readonly ConflictPair[] = parsed.matching_rules.conflict_pairs;

export const conditionById = (id: string): Condition | null => CONDITIONS.find((c) => c.id === id) ?? null;
