import { SCALES } from "../rules/limitsRecord";

/** window: from-to; most: an upper bound; word: a step of a scale from strict to free, with or without a window. */
type Shape =
  | { shape: "window"; unit: string; least: number; most: number }
  | { shape: "most"; unit: string; least: number; most: number }
  | { shape: "word"; scale: readonly string[]; unit?: string; least?: number; most?: number };

/** Everything that can be bounded, with what people call it. Angles are knee or hip flexion, 0° straight. */
export const BOUND_KINDS = {
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
  weight_bearing: { name: "weight bearing", shape: "word", scale: SCALES.weightBearing },
  weight_on_leg: { name: "weight on the leg, as written", shape: "most", unit: "kg", least: 0, most: 200 },
  hip_flexion: { name: "bend of the hip", shape: "most", unit: "°", least: 0, most: 130 },
  back_bending: { name: "back bending under load", shape: "word", scale: ["avoid", "allowed"] },
  back_arching: { name: "back arching under load", shape: "word", scale: ["avoid", "allowed"] },
  back_demand: { name: "demand on the back", shape: "most", unit: "of 3", least: 0, most: 3 },
  weight_on_shoulders: { name: "weight on the shoulders", shape: "word", scale: SCALES.axial },
  kneeling: { name: "kneeling", shape: "word", scale: SCALES.kneeling },
  impact: { name: "jumping and running", shape: "word", scale: SCALES.impact },
  balance_demand: { name: "demand on balance", shape: "most", unit: "of 3", least: 0, most: 3 },
  joint_pain: { name: "joint pain in it", shape: "most", unit: "of 10", least: 0, most: 10 },
  felt_effort: { name: "felt effort", shape: "most", unit: "of 10", least: 0, most: 10 },
} as const satisfies Record<string, Shape & { name: string }>;

export type BoundKind = keyof typeof BOUND_KINDS;
export const BOUND_KIND_IDS = Object.keys(BOUND_KINDS) as [BoundKind, ...BoundKind[]];

/** A kind by its name, in the wide type: for code that treats all kinds alike. */
export const boundKind = (kind: BoundKind): Shape & { name: string } => BOUND_KINDS[kind];

const WORDS: Partial<Record<BoundKind, Record<string, string>>> = {
  open_chain_extension: { none: "barred", isometric: "held only", arc: "in an arc", free: "free" },
  resisted_knee_flexion: {
    none: "barred",
    isometric: "held only",
    light: "light",
    progressive: "progressive",
  },
  weight_bearing: {
    non: "none",
    touch: "toe touch",
    partial: "partial",
    as_tolerated: "as tolerated",
    full: "full",
  },
  impact: { none: "none", low: "low", graded: "graded", full: "free" },
  weight_on_shoulders: { none: "none", low: "light", high: "free" },
  kneeling: { no: "no", padded: "on a pad", yes: "free" },
};

/** A step of a scale as people read it. */
export const boundWord = (kind: BoundKind, word: string): string => WORDS[kind]?.[word] ?? word;
