import { SIT_TO_STAND_REAL_CHANGE } from "./sitToStand";

export type MeasurementGroup = "motion" | "swelling" | "function" | "repetitions";

interface KindSpec {
  name: string;
  group: MeasurementGroup;
  unit: string;
  least: number;
  most: number;
  isWhole: boolean;
  isSided: boolean;
  /** can be read by the angle sensor, as active or passive motion */
  isAngle: boolean;
  /** smallest change that is more than measurement error, in the unit; null: not known */
  realChange: number | null;
  realChangeSource: string;
  how: string;
}

const angle = (name: string, least: number, most: number, how: string): KindSpec => ({
  name,
  group: "motion",
  unit: "°",
  least,
  most,
  isWhole: false,
  isSided: true,
  isAngle: true,
  realChange: 5,
  realChangeSource: "long-arm goniometer, usual practice [own]",
  how,
});

const girth = (name: string, how: string, realChange: number): KindSpec => ({
  name,
  group: "swelling",
  unit: "cm",
  least: 15,
  most: 100,
  isWhole: false,
  isSided: true,
  isAngle: false,
  realChange,
  realChangeSource: "girth, 1 to 1.5 cm (dosing rules F7) [medium]",
  how,
});

/** What is measured besides strength by load cell, with unit, range and the change that counts. */
export const MEASUREMENT_KINDS = {
  knee_bend: angle("knee bend", 0, 160, "how far it bends; 0° is straight"),
  knee_straightening: angle(
    "knee straightening",
    -20,
    60,
    "degrees short of straight; below zero is bent back beyond straight",
  ),
  hip_bend: angle("hip bend", 0, 140, "lying, the other leg flat"),
  quadriceps_lag: {
    ...angle("quadriceps lag", 0, 60, "passive minus active straightening in a straight-leg raise"),
    isAngle: false,
  },
  swelling: {
    name: "swelling",
    group: "swelling",
    unit: "grade",
    least: 0,
    most: 4,
    isWhole: true,
    isSided: true,
    isAngle: false,
    realChange: 1,
    realChangeSource: "one grade",
    how: "0 none, 1 trace, 2 is 1+, 3 is 2+, 4 is 3+",
  },
  girth_mid_patella: girth("girth at mid-kneecap", "a centimetre more is fluid", 1),
  girth_thigh: girth("girth of the thigh", "15 cm above the kneecap; bulk, never strength", 1.5),
  girth_calf: girth("girth of the calf", "at its widest", 1.5),
  sit_to_stand_30s: {
    name: "sit-to-stands in 30 s",
    group: "function",
    unit: "times",
    least: 0,
    most: 60,
    isWhole: true,
    isSided: false,
    isAngle: false,
    realChange: SIT_TO_STAND_REAL_CHANGE,
    realChangeSource: "2 to 3 (dosing rules F7) [medium]",
    how: "full stands with arms crossed; with arms used it counts as none",
  },
  single_leg_balance: {
    name: "balance on one leg",
    group: "function",
    unit: "s",
    least: 0,
    most: 60,
    isWhole: false,
    isSided: true,
    isAngle: false,
    realChange: null,
    realChangeSource: "not known here",
    how: "best of three, eyes open, stop at 60 s",
  },
  daily_pain: {
    name: "pain in daily life",
    group: "function",
    unit: "of 10",
    least: 0,
    most: 10,
    isWhole: true,
    isSided: false,
    isAngle: false,
    realChange: 2,
    realChangeSource: "two points, usual practice [own]",
    how: "at rest and in daily life, worst of the last days",
  },
  repetition_test: {
    name: "repetition test",
    group: "repetitions",
    unit: "kg",
    least: 1,
    most: 400,
    isWhole: false,
    isSided: true,
    isAngle: false,
    realChange: null,
    realChangeSource: "the estimate's own range",
    how: "one set near failure on the same machine and set-up",
  },
} as const satisfies Record<string, KindSpec>;

export type MeasurementKind = keyof typeof MEASUREMENT_KINDS;
export const MEASUREMENT_KIND_IDS = Object.keys(MEASUREMENT_KINDS) as [MeasurementKind, ...MeasurementKind[]];
export const measurementKind = (kind: MeasurementKind): KindSpec => MEASUREMENT_KINDS[kind];
