import { SIT_TO_STAND_REAL_CHANGE } from "./sitToStand";
import texts from "./text/en.json";

export type MeasurementGroup = "motion" | "swelling" | "function" | "repetitions" | "painful_arc";

interface KindModel {
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
}

/** A kind as it is called; its words stand in text/en.json. */
interface KindSpec extends KindModel {
  name: string;
  how: string;
  realChangeSource: string;
}

const angle = (least: number, most: number): KindModel => ({
  group: "motion",
  unit: "°",
  least,
  most,
  isWhole: false,
  isSided: true,
  isAngle: true,
  realChange: 5,
});

const girth = (realChange: number): KindModel => ({
  group: "swelling",
  unit: "cm",
  least: 15,
  most: 100,
  isWhole: false,
  isSided: true,
  isAngle: false,
  realChange,
});

/** What is measured besides strength by load cell, with unit, range and the change that counts. */
const MODELS = {
  knee_bend: angle(0, 160),
  knee_straightening: angle(-20, 60),
  hip_bend: angle(0, 140),
  quadriceps_lag: {
    ...angle(0, 60),
    isAngle: false,
  },
  swelling: {
    group: "swelling",
    unit: "grade",
    least: 0,
    most: 4,
    isWhole: true,
    isSided: true,
    isAngle: false,
    realChange: 1,
  },
  girth_mid_patella: girth(1),
  girth_thigh: girth(1.5),
  girth_calf: girth(1.5),
  sit_to_stand_30s: {
    group: "function",
    unit: "times",
    least: 0,
    most: 60,
    isWhole: true,
    isSided: false,
    isAngle: false,
    realChange: SIT_TO_STAND_REAL_CHANGE,
  },
  single_leg_balance: {
    group: "function",
    unit: "s",
    least: 0,
    most: 60,
    isWhole: false,
    isSided: true,
    isAngle: false,
    realChange: null,
  },
  daily_pain: {
    group: "function",
    unit: "of 10",
    least: 0,
    most: 10,
    isWhole: true,
    isSided: false,
    isAngle: false,
    realChange: 2,
  },
  repetition_test: {
    group: "repetitions",
    unit: "kg",
    least: 1,
    most: 400,
    isWhole: false,
    isSided: true,
    isAngle: false,
    realChange: null,
  },
  // the worst pain in it; where it lies is kept beside
  painful_arc: {
    group: "painful_arc",
    unit: "of 10",
    least: 0,
    most: 10,
    isWhole: true,
    isSided: true,
    isAngle: false,
    realChange: 2,
  },
} as const satisfies Record<string, KindModel>;

export type MeasurementKind = keyof typeof MODELS;
export const MEASUREMENT_KIND_IDS = Object.keys(MODELS) as [MeasurementKind, ...MeasurementKind[]];
const TEXTS: Readonly<Record<MeasurementKind, Pick<KindSpec, "name" | "how" | "realChangeSource">>> = texts;
export const measurementKind = (kind: MeasurementKind): KindSpec => ({ ...MODELS[kind], ...TEXTS[kind] });

/** Whether a value and a side say all of it: what a file of values can bring. */
export const isPlain = (kind: MeasurementKind): boolean =>
  kind !== "repetition_test" && kind !== "painful_arc";
