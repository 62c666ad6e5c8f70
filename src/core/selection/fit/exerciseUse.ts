import type { FamilyId } from "../../equipment/families";
import { type Exercise, likeOf } from "../../rules/exercises";

/** On which legs a machine's load comes. */
export type LegsShare = "two" | "one" | "upper" | "lowered" | "front" | "both_feet";

/** How an exercise of the catalogue uses a machine: which kinds do, set how, on which legs. */
export interface ExerciseUse {
  /** the first that the clinic has is taken */
  families: readonly FamilyId[];
  /** settings that make it this exercise and not its neighbour; the rest are the machine's usual ones */
  settings?: Readonly<Record<string, number>>;
  /** share of the load on the looked-at leg */
  share: number;
  phase?: -1 | 0 | 1;
  /** the body alone: nothing is added */
  isUnloaded?: boolean;
  /** what the share means */
  legs: LegsShare;
}

const EXTENSION = ["seated_knee_extension"] as const;
const PRESS = ["seated_press", "carriage_press"] as const;
const CURL = ["leg_curl_prone", "leg_curl_seated"] as const;
const TWO = { share: 0.5, legs: "two" } as const;
const ONE = { share: 1, legs: "one" } as const;
const STEP = {
  families: ["step"],
  ...ONE,
  isUnloaded: true,
  legs: "upper",
} as const;

const USES: Record<string, ExerciseUse> = {
  kext_full: { families: EXTENSION, ...TWO },
  kext_restricted: { families: EXTENSION, ...TWO },
  kext_single: { families: EXTENSION, ...ONE },
  kext_light_high_rep: { families: EXTENSION, ...TWO },
  kext_iso_machine: { families: EXTENSION, ...ONE },
  kext_iso_manual: { families: ["held_shin"], ...ONE },
  kext_iso_band: { families: ["held_shin"], ...ONE },
  kext_ankle_weight: { families: ["ankle_cuff"], ...ONE },
  kext_terminal_pulses: { families: ["ankle_cuff"], ...ONE },
  lp_horizontal: { families: PRESS, ...TWO },
  lp_mid_hip: { families: PRESS, settings: { footM: 0.1, pressure: 1 }, ...TWO },
  lp_high_wide: { families: PRESS, settings: { footM: 0.25 }, ...TWO },
  lp_single: { families: [...PRESS, "sled_press"], ...ONE },
  lp_sled45: { families: ["sled_press"], ...TWO },
  lp_2up1down: { families: [...PRESS, "sled_press"], ...ONE, phase: -1, legs: "lowered" },
  sq_hack: { families: ["hack_squat"], ...TWO },
  sq_pendulum: { families: ["pendulum_squat"], ...TWO },
  sq_rail_feet_fwd: { families: ["rail_squat"], settings: { feetForwardM: 0.3 }, ...TWO },
  sq_rail_front: { families: ["rail_squat"], settings: { feetForwardM: 0.05, benchM: 0.25 }, ...TWO },
  half_squat: { families: ["squat_on_floor"], ...TWO, isUnloaded: true },
  sq_to_bench: { families: ["squat_on_floor"], ...TWO },
  split_squat: { families: ["split_stance"], ...ONE, legs: "front" },
  lunge_no_load: {
    families: ["split_stance"],
    ...ONE,
    isUnloaded: true,
    legs: "front",
  },
  lunge_walking: {
    families: ["split_stance"],
    settings: { stepping: 1 },
    ...ONE,
    legs: "front",
  },
  step_up: STEP,
  step_up_low: STEP,
  step_down_low: STEP,
  step_down: STEP,
  tke_standing: { families: ["standing_extension"], ...ONE, legs: "both_feet" },
  curl_lying: { families: ["leg_curl_prone"], ...TWO },
  curl_seated: { families: ["leg_curl_seated"], ...TWO },
  curl_single: { families: CURL, ...ONE },
  curl_partials_hold: { families: CURL, ...TWO },
  curl_counterweight: { families: ["counterweight_curl"], ...TWO },
  kneel_lower_full: { families: ["counterweight_curl"], ...TWO, isUnloaded: true },
  kneel_lower_reach: { families: ["counterweight_curl"], ...TWO, isUnloaded: true },
};

type Computed = Pick<Exercise, "id" | "like_id" | "is_modelled_as_like">;

/** The exercise whose model an exercise is computed by: itself, or for one of the clinic's own the one it is like. */
export const modelIdOf = (e: Computed): string => (e.is_modelled_as_like ? likeOf(e) : e.id);

/** How an exercise is computed; null where there is no model of the knee for it. */
export const exerciseUse = (e: Computed): ExerciseUse | null => USES[modelIdOf(e)] ?? null;

/** Machines that an exercise without a model of the knee needs. */
const QUIET_USES: Record<string, readonly string[]> = {
  calf_press: ["seated_press"],
  sq_vtype: ["lever_squat"],
  kickback_machine: ["kickback"],
  hip_abd: ["hip_abduction"],
  hip_add: ["hip_adduction"],
  multi_hip: ["multi_hip"],
  ghr: ["hip_bench"],
  rev_two: ["reverse_hip"],
  rev_loaded: ["reverse_hip"],
  calf_seated: ["calf_seated"],
};

/** Kinds of machines that an exercise without a model of the knee is done on; none where it needs no machine. */
export const quietMachines = (e: Computed): readonly string[] => QUIET_USES[likeOf(e)] ?? [];

/** Things every clinic is taken to have: floor, chair, step, cuffs, bands. */
const ALWAYS_THERE: readonly string[] = [
  "squat_on_floor",
  "split_stance",
  "step",
  "standing_extension",
  "ankle_cuff",
  "held_shin",
];

export const isAlwaysThere = (family: string): boolean => ALWAYS_THERE.includes(family);

/** Lowering from kneeling is done on any floor; the counterweight only helps. */
const ON_ANY_FLOOR: readonly string[] = ["kneel_lower_full", "kneel_lower_reach"];

/** Whether the clinic has what an exercise needs. `families` are those of its machines. */
export function isAtHand(e: Computed, families: ReadonlySet<string>): boolean {
  const id = likeOf(e);
  const needed = ON_ANY_FLOOR.includes(id) ? [] : (QUIET_USES[id] ?? USES[id]?.families ?? []);
  return needed.length === 0 || needed.some((f) => families.has(f) || ALWAYS_THERE.includes(f));
}
