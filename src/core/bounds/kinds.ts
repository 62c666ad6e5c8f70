import { SCALES } from "./scales";

/**
 * window: from-to; most: an upper bound; least: a lower one; word: a step of a scale from strict to free, with or
 * without a window; names: what is barred by name.
 */
type Shape =
  | { shape: "window" | "most" | "least"; unit: string; least: number; most: number }
  | { shape: "word"; scale: readonly string[]; unit?: string; least?: number; most?: number }
  | { shape: "names" };

/** Everything that can be bounded, with what people call it. Angles are knee or hip flexion, 0° straight. */
export const BOUND_KINDS = {
  knee_flexion: { name: "bend of the knee, loaded or not", shape: "window", unit: "°", least: 0, most: 130 },
  knee_flexion_under_load: { name: "bend under load", shape: "window", unit: "°", least: 0, most: 130 },
  extension_hold_angles: {
    name: "angles of a held extension",
    shape: "window",
    unit: "°",
    least: 0,
    most: 130,
  },
  hold_effort: { name: "effort of a hold", shape: "most", unit: "% of maximum", least: 0, most: 100 },
  hold_seconds: { name: "length of a hold", shape: "most", unit: "s", least: 0, most: 300 },
  open_chain_extension: {
    name: "extension with the foot free",
    shape: "word",
    scale: SCALES.openChain,
    unit: "°",
    least: 0,
    most: 130,
  },
  open_chain_load: { name: "load of that extension", shape: "most", unit: "%", least: 0, most: 100 },
  static_quad: { name: "tensing the thigh without movement", shape: "word", scale: SCALES.staticQuad },
  closed_chain_depth: { name: "depth of presses and squats", shape: "most", unit: "°", least: 0, most: 130 },
  closed_chain_load: { name: "load of presses and squats", shape: "most", unit: "%", least: 0, most: 100 },
  single_leg: { name: "presses and squats on one leg", shape: "word", scale: ["no", "yes"] },
  resisted_knee_flexion: {
    name: "bending against resistance",
    shape: "word",
    scale: SCALES.kneeFlexion,
    unit: "°",
    least: 0,
    most: 130,
  },
  resisted_bending_load: { name: "load of that bending", shape: "most", unit: "%", least: 0, most: 100 },
  weight_bearing: { name: "weight bearing", shape: "word", scale: SCALES.weightBearing },
  weight_on_leg: { name: "weight on the leg, as written", shape: "most", unit: "kg", least: 0, most: 200 },
  hip_flexion: { name: "bend of the hip", shape: "most", unit: "°", least: 0, most: 130 },
  hip_abduction: { name: "leg outward against resistance", shape: "word", scale: SCALES.hip },
  hip_adduction: { name: "leg inward against resistance", shape: "word", scale: SCALES.hip },
  hip_flexion_resisted: { name: "thigh up against resistance", shape: "word", scale: SCALES.hip },
  across_midline: { name: "leg across the midline", shape: "word", scale: ["no", "yes"] },
  hip_behind_body: { name: "thigh behind the body", shape: "word", scale: ["no", "yes"] },
  back_bending: { name: "back bending under load", shape: "word", scale: ["avoid", "allowed"] },
  back_arching: { name: "back arching under load", shape: "word", scale: ["avoid", "allowed"] },
  back_demand: { name: "demand on the back", shape: "most", unit: "of 3", least: 0, most: 3 },
  weight_on_shoulders: { name: "weight on the shoulders", shape: "word", scale: SCALES.axial },
  kneeling: { name: "kneeling", shape: "word", scale: SCALES.kneeling },
  impact: { name: "jumping and running", shape: "word", scale: SCALES.impact },
  balance_demand: { name: "demand on balance", shape: "most", unit: "of 3", least: 0, most: 3 },
  entry_demand: { name: "skill and strength asked for", shape: "most", unit: "of 4", least: 1, most: 4 },
  side_stress: { name: "side stress on the knee", shape: "names" },
  joint_pain: { name: "joint pain in it", shape: "most", unit: "of 10", least: 0, most: 10 },
  pain_rise: { name: "rise of joint pain in it", shape: "most", unit: "of 10", least: 0, most: 10 },
  morning_rise: { name: "rise by the next morning", shape: "most", unit: "of 10", least: 0, most: 10 },
  pain_school: { name: "how pain guides the work", shape: "word", scale: SCALES.painSchool },
  felt_effort: { name: "felt effort", shape: "most", unit: "of 10", least: 0, most: 10 },
  reserve: { name: "repetitions left in reserve", shape: "least", unit: "repetitions", least: 0, most: 10 },
  holds_first: { name: "holds before repetitions", shape: "word", scale: ["yes", "no"] },
  presence: { name: "machines", shape: "word", scale: SCALES.machines },
  barred_by_name: { name: "barred by name", shape: "names" },
} as const satisfies Record<string, Shape & { name: string }>;

export type BoundKind = keyof typeof BOUND_KINDS;
export const BOUND_KIND_IDS = Object.keys(BOUND_KINDS) as [BoundKind, ...BoundKind[]];

/** A kind by its name, in the wide type: for code that treats all kinds alike. */
export const boundKind = (kind: BoundKind): Shape & { name: string } => BOUND_KINDS[kind];

/** Kinds that a person writes as a limit; the others come from phases and stances only. */
export const WRITABLE_KIND_IDS = BOUND_KIND_IDS.filter(
  (k) => boundKind(k).shape !== "names" && k !== "pain_school",
) as [BoundKind, ...BoundKind[]];

const YES_NO = { no: "not", yes: "allowed" };
const HIP = { none: "barred", isometric: "held only", light: "light", free: "free" };
const WORDS: Partial<Record<BoundKind, Record<string, string>>> = {
  open_chain_extension: { none: "barred", isometric: "held only", arc: "in an arc", free: "free" },
  static_quad: { none: "barred", gentle_set_only: "gently only", free: "free" },
  resisted_knee_flexion: {
    none: "barred",
    isometric: "held only",
    light: "light",
    progressive: "progressive",
    free: "free",
  },
  weight_bearing: {
    non: "none",
    touch: "toe touch",
    partial: "partial",
    as_tolerated: "as tolerated",
    full: "full",
  },
  hip_abduction: HIP,
  hip_adduction: HIP,
  hip_flexion_resisted: HIP,
  across_midline: YES_NO,
  hip_behind_body: YES_NO,
  impact: { none: "none", low: "low", graded: "graded", full: "free" },
  weight_on_shoulders: { none: "none", low: "light", high: "free" },
  kneeling: { no: "no", padded: "on a pad", yes: "free" },
  pain_school: { pain_free: "pain-free", pain_monitoring: "some pain is watched" },
  presence: { therapist_present: "with a therapist present", free: "free" },
};

/** A step of a scale as people read it. */
export const boundWord = (kind: BoundKind, word: string): string => WORDS[kind]?.[word] ?? word;
