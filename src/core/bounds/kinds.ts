import { SCALES } from "./scales";
import texts from "./text/en.json";

/**
 * window: from-to; most: an upper bound; least: a lower one; word: a step of a scale from strict to free, with or
 * without a window; names: what is barred by name.
 */
type Shape =
  | { shape: "window" | "most" | "least"; unit: string; least: number; most: number }
  | { shape: "word"; scale: readonly string[]; unit?: string; least?: number; most?: number }
  | { shape: "names" };

/** Everything that can be bounded; what people call it stands in text/en.json. Angles are knee or hip flexion, 0° straight. */
export const BOUND_KINDS = {
  knee_flexion: { shape: "window", unit: "°", least: 0, most: 130 },
  knee_flexion_under_load: { shape: "window", unit: "°", least: 0, most: 130 },
  extension_hold_angles: {
    shape: "window",
    unit: "°",
    least: 0,
    most: 130,
  },
  hold_effort: { shape: "most", unit: texts.ofMaximum, least: 0, most: 100 },
  hold_seconds: { shape: "most", unit: "s", least: 0, most: 300 },
  open_chain_extension: {
    shape: "word",
    scale: SCALES.openChain,
    unit: "°",
    least: 0,
    most: 130,
  },
  open_chain_load: { shape: "most", unit: "%", least: 0, most: 100 },
  static_quad: { shape: "word", scale: SCALES.staticQuad },
  closed_chain_depth: { shape: "most", unit: "°", least: 0, most: 130 },
  closed_chain_load: { shape: "most", unit: "%", least: 0, most: 100 },
  single_leg: { shape: "word", scale: ["no", "yes"] },
  resisted_knee_flexion: {
    shape: "word",
    scale: SCALES.kneeFlexion,
    unit: "°",
    least: 0,
    most: 130,
  },
  resisted_bending_load: { shape: "most", unit: "%", least: 0, most: 100 },
  weight_bearing: { shape: "word", scale: SCALES.weightBearing },
  weight_on_leg: { shape: "most", unit: "kg", least: 0, most: 200 },
  hip_flexion: { shape: "most", unit: "°", least: 0, most: 130 },
  hip_abduction: { shape: "word", scale: SCALES.hip },
  hip_adduction: { shape: "word", scale: SCALES.hip },
  hip_flexion_resisted: { shape: "word", scale: SCALES.hip },
  across_midline: { shape: "word", scale: ["no", "yes"] },
  hip_behind_body: { shape: "word", scale: ["no", "yes"] },
  back_bending: { shape: "word", scale: ["avoid", "allowed"] },
  back_arching: { shape: "word", scale: ["avoid", "allowed"] },
  back_demand: { shape: "most", unit: "of 3", least: 0, most: 3 },
  weight_on_shoulders: { shape: "word", scale: SCALES.axial },
  kneeling: { shape: "word", scale: SCALES.kneeling },
  impact: { shape: "word", scale: SCALES.impact },
  balance_demand: { shape: "most", unit: "of 3", least: 0, most: 3 },
  entry_demand: { shape: "most", unit: "of 4", least: 1, most: 4 },
  side_stress: { shape: "names" },
  joint_pain: { shape: "most", unit: "of 10", least: 0, most: 10 },
  pain_rise: { shape: "most", unit: "of 10", least: 0, most: 10 },
  morning_rise: { shape: "most", unit: "of 10", least: 0, most: 10 },
  pain_school: { shape: "word", scale: SCALES.painSchool },
  felt_effort: { shape: "most", unit: "of 10", least: 0, most: 10 },
  reserve: { shape: "least", unit: "repetitions", least: 0, most: 10 },
  holds_first: { shape: "word", scale: ["yes", "no"] },
  presence: { shape: "word", scale: SCALES.machines },
  barred_by_name: { shape: "names" },
} as const satisfies Record<string, Shape>;

export type BoundKind = keyof typeof BOUND_KINDS;
const NAMES: Readonly<Record<BoundKind, string>> = texts.names;
export const BOUND_KIND_IDS = Object.keys(BOUND_KINDS) as [BoundKind, ...BoundKind[]];

const NAMED = Object.fromEntries(
  BOUND_KIND_IDS.map((kind) => [kind, { ...BOUND_KINDS[kind], name: NAMES[kind] }]),
) as Record<BoundKind, Shape & { name: string }>;

/** A kind with its name, in the wide type: for code that treats all kinds alike. */
export const boundKind = (kind: BoundKind): Shape & { name: string } => NAMED[kind];

/** Kinds that a person writes as a limit; the others come from phases and stances only. */
export const WRITABLE_KIND_IDS = BOUND_KIND_IDS.filter(
  (k) => boundKind(k).shape !== "names" && k !== "pain_school",
) as [BoundKind, ...BoundKind[]];

const WORDS: Partial<Record<string, Partial<Record<string, string>>>> = texts.words;

/** A step of a scale as people read it. */
export const boundWord = (kind: BoundKind, word: string): string => WORDS[kind]?.[word] ?? word;

/** Where nothing but the limb itself may be the load. */
export const LIMB_WEIGHT = texts.limbWeight;
/** Where nothing bounds a kind, and a lower end. */
export const { notBounded: NOT_BOUNDED, atLeast: AT_LEAST } = texts;
