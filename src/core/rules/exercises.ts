import { z } from "zod";
import data from "./data/exercises.json";
import { SCALES } from "./limitsRecord";

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

const exercise = z.looseObject({
  id: z.string(),
  name: z.string(),
  family: z.string(),
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
  match,
});
export type Exercise = z.infer<typeof exercise>;

/** The exercise catalogue, in its own order; equal rows of a ranking stay in it. */
export const EXERCISES: readonly Exercise[] = z
  .object({ exercises: z.array(exercise).min(1) })
  .parse(data).exercises;

export const exerciseById = (id: string): Exercise | null => EXERCISES.find((e) => e.id === id) ?? null;
