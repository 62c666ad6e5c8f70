import { z } from "zod";
import { SCALES } from "../bounds/scales";
import type { FieldName } from "../units/fields";
import { type Said, saidWith } from "../units/said";
import { wrong } from "../units/wrong";
import { confidence } from "./confidence";
import data from "./data/exercises.json";

const demand = z.number().int().min(0).max(3);

/** What decides whether an exercise fits a client's limits; set by hand for each exercise. */
const match = z.object({
  class: z.enum([
    "calf",
    "closed_knee",
    "closed_knee_flexion",
    "hip_hinge",
    "hip_open",
    "open_knee_extension",
    "open_knee_flexion",
    "static_quad",
    "stretch",
    "trunk",
  ]),
  min_depth_deg: z.number(),
  min_arc_deg: z.number(),
  knee_flexion_needed_deg: z.number(),
  load_floor: z.enum(["light", "limb", "machine"]),
  weight_bearing_need: z.enum(["none", "stance_other", "press_adjustable", "full_two", "full_one"]),
  entry_demand_1_4: z.number().int().min(1).max(4),
  hip_motions: z.array(z.enum(["abduction", "adduction", "extension", "flexion"])),
  lever_contact: z.enum(["above_knee", "below_knee", "none"]),
  crosses_midline: z.boolean(),
  hip_extension_past_neutral: z.boolean(),
  static_hold: z.boolean(),
  knee_side_stress: z.enum(["none", "inner_side", "inward_and_twist", "outer_side"]),
  single_leg: z.boolean(),
  requires_unlock: z.boolean(),
  is_machine: z.boolean(),
});

const span = z.tuple([z.number(), z.number()]);
/** A usual dose for an aim, or why there is none. Ranges are low and high. */
const dose = z.union([
  z.looseObject({ not_suited: z.literal(true), reason: z.string() }),
  z.looseObject({
    not_suited: z.undefined().optional(),
    sets: span,
    rest_s: span,
    reps: span.optional(),
    reps_in_reserve: span.optional(),
    /** "2-1-3": seconds up, at the top, down */
    tempo_lift_hold_lower_s: z
      .string()
      .regex(/^\d+-\d+-\d+$/)
      .optional(),
    hold_s: span.optional(),
    effort_pct_max: span.optional(),
  }),
]);
export type UsualDose = z.infer<typeof dose>;

const words = (field: FieldName, most = 400) =>
  z
    .string({ error: wrong("input.words_missing", { field }) })
    .trim()
    .min(3, { error: wrong("input.words_few", { field }) })
    .max(most, { error: wrong("input.words_too_long", { field, most }) });
const MOST_LINES = 20;
const lines = (field: FieldName) =>
  z
    .array(words(field))
    .max(MOST_LINES, { error: wrong("input.lines_too_many", { field, most: MOST_LINES }) });

/** An exercise as the catalogue and the clinic's own copies have it; what is not named here is kept as it is. */
export const exercise = z.looseObject({
  id: z.string().regex(/^[a-z0-9_]{3,60}$/, { error: "input.exercise_id" }),
  name: words("name", 80),
  /** of the clinic's own: the catalogue's exercise whose limits hold for it; none in the catalogue */
  like_id: z.string().nullable().optional(),
  /** of the clinic's own: done on the same kind of machine with the same legs, so its knee loads are those of the other */
  is_modelled_as_like: z.boolean().optional(),
  family: z.string(),
  tier: z.string().optional(),
  equipment: words("needs", 120),
  back_support: z.enum(["none", "full", "front support", "partial", "chest"]),
  isometric: z.looseObject({ possible: z.boolean(), how: z.string().nullable().optional() }),
  setup_checks: lines("set_up_checks"),
  cues: lines("cues"),
  stop_signs: lines("stop_signs"),
  typical_mistakes: lines("mistakes"),
  disagreement_ids: z.array(z.string()),
  home_ready: z.boolean(),
  chain: z.enum(["open", "closed"]),
  position: z.string(),
  muscle_emphasis_0_3: z.record(z.string(), demand),
  knee_angle_usable_deg: z.object({ min: z.number(), max: z.number() }),
  hip_flexion_demand_deg: z.object({ typical: z.number(), min_adjustable: z.number() }),
  axial_load: z.enum(SCALES.axial),
  lumbar: z.object({
    demand_0_3: demand,
    direction: z.array(z.enum(["extension", "flexion", "none", "rotation"])),
  }),
  kneeling_contact: z.enum(["none", "padded", "full"]),
  balance_demand_0_3: demand,
  easier_id: z.string().nullable(),
  harder_id: z.string().nullable(),
  home_substitute_id: z.string(),
  /** by aim; an exercise of the clinic's own may have none */
  dose_by_goal: z.record(z.string(), dose).optional(),
  match,
});
export type Exercise = z.infer<typeof exercise>;

const disagreement = z.object({
  id: z.string(),
  topic: z.string(),
  positions: z.array(z.object({ view: z.string(), trade_off: z.string().optional() })),
  tool_default: z.string(),
  source: z.string(),
  confidence,
});

const catalogue = z
  .object({ exercises: z.array(exercise).min(1), disagreements: z.array(disagreement) })
  .parse(data);

/** The exercise catalogue, in its own order; equal rows of a ranking stay in it. */
export const EXERCISES: readonly Exercise[] = catalogue.exercises;

/** Where practitioners differ about exercises. */
export const DISAGREEMENTS: readonly z.infer<typeof disagreement>[] = catalogue.disagreements;

export const exerciseById = (id: string): Exercise | null => EXERCISES.find((e) => e.id === id) ?? null;

/** The catalogue's exercise that one is bounded as: itself, or for one of the clinic's own the one it is like. */
export const likeOf = (e: Pick<Exercise, "id" | "like_id">): string => e.like_id ?? e.id;

/** What limits look at. Words may be the clinic's; these stay the catalogue's. */
const BOUNDED_BY = [
  ...["match", "chain", "axial_load", "lumbar", "kneeling_contact", "balance_demand_0_3"],
  ...["hip_flexion_demand_deg", "muscle_emphasis_0_3", "back_support"],
] as const;

/** Why a copy, or an exercise of the clinic's own, cannot be kept so; null: it can. */
export function exerciseProblem(e: Exercise): { field: string; sentence: Said } | null {
  const isOwn = exerciseById(e.id) === null;
  const like = exerciseById(likeOf(e));
  if (!like || (!isOwn && e.like_id)) return { field: "like_id", sentence: { code: "input.like_which" } };
  if (BOUNDED_BY.some((key) => JSON.stringify(e[key]) !== JSON.stringify(like[key])))
    return {
      field: "like_id",
      sentence: saidWith("input.like_bounds", { like: like.name }),
    };
  const [own, most] = [e.knee_angle_usable_deg, like.knee_angle_usable_deg];
  if (!(own.min <= own.max) || own.min < most.min || own.max > most.max)
    return {
      field: "knee_angle_usable_deg",
      sentence: saidWith("input.like_angles", { like: like.name, least: most.min, most: most.max }),
    };
  return null;
}

/** The catalogue with a clinic's changes laid over it, its own exercises behind. */
export function withOwn(own: readonly Exercise[]): Exercise[] {
  const changed = new Map(own.map((e) => [e.id, e]));
  return [...EXERCISES.map((e) => changed.get(e.id) ?? e), ...own.filter((e) => exerciseById(e.id) === null)];
}
