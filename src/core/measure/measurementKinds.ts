import { SIT_TO_STAND_REAL_CHANGE } from "./sitToStand";
import texts from "./text/en.json";

/** Parts of Measure; the strength of the load cell is none of these. */
export type MeasurementGroup =
  | "motion"
  | "reach"
  | "swelling"
  | "function"
  | "counts"
  | "free"
  | "repetitions"
  | "painful_arc";

/** What a value needs beside it to say what was done. */
export type MeasuredWith = "chair" | "step" | "steps" | "machine" | "lift" | "arc" | "name";

interface KindModel {
  group: MeasurementGroup;
  unit: string;
  least: number;
  most: number;
  isWhole: boolean;
  isSided: boolean;
  /** can be read by the angle sensor, as active or passive motion */
  isAngle: boolean;
  /** which way is better; null: neither, or as the test says */
  better: "up" | "down" | null;
  /** smallest change that is more than measurement error, in the unit; null: not known, or a share */
  realChange: number | null;
  /** the same as a share of the value it is compared with */
  realChangeShare: number | null;
  with: MeasuredWith | null;
}

/** A kind as it is called; its words stand in text/en.json. */
interface KindSpec extends KindModel {
  name: string;
  how: string;
  realChangeSource: string;
}

type Of = Partial<KindModel> & Pick<KindModel, "group" | "unit" | "least" | "most">;
const kind = (of: Of): KindModel => ({
  isWhole: false,
  isSided: false,
  isAngle: false,
  better: "up",
  realChange: null,
  realChangeShare: null,
  with: null,
  ...of,
});

const angle = (least: number, most: number, over: Partial<KindModel> = {}): KindModel =>
  kind({ group: "motion", unit: "°", least, most, isSided: true, isAngle: true, realChange: 5, ...over });
const girth = (realChange: number, better: KindModel["better"]): KindModel =>
  kind({ group: "swelling", unit: "cm", least: 15, most: 100, isSided: true, realChange, better });
const reachCm = (least: number, most: number, over: Partial<KindModel> = {}): KindModel =>
  kind({ group: "reach", unit: "cm", least, most, isSided: true, ...over });
const count = (group: MeasurementGroup, over: Partial<KindModel> = {}): KindModel =>
  kind({ group, unit: "times", least: 0, most: 60, isWhole: true, realChange: 2, ...over });
const timed = (group: MeasurementGroup, most: number, over: Partial<KindModel> = {}): KindModel =>
  kind({ group, unit: "s", least: 0, most, ...over });
const score = (group: MeasurementGroup, over: Partial<KindModel> = {}): KindModel =>
  kind({
    ...{ group, unit: "of 10", least: 0, most: 10, isWhole: true, better: "down", realChange: 2 },
    ...over,
  });

/** What is measured besides strength by load cell, with unit, range and the change that counts. Rule "Measured 1". */
const MODELS = {
  knee_bend: angle(0, 160),
  knee_straightening: angle(-20, 60, { better: "down" }),
  hip_bend: angle(0, 140),
  quadriceps_lag: angle(0, 60, { isAngle: false, better: "down" }),
  straight_leg_raise: angle(0, 130, { group: "reach", isAngle: false }),
  knee_to_wall: reachCm(0, 25, { realChange: 1.5 }),
  heel_to_buttock: reachCm(0, 70, { better: "down", realChange: 2 }),
  toe_touch: reachCm(-40, 60, { isSided: false, better: "down", realChange: 3 }),
  pelvis_rolls: angle(30, 150, { group: "reach", isSided: false, isAngle: false, with: "machine" }),
  swelling: kind({
    ...{ group: "swelling", unit: "grade", least: 0, most: 4, isWhole: true },
    ...{ isSided: true, better: "down", realChange: 1 },
  }),
  girth_mid_patella: girth(1, "down"),
  girth_thigh: girth(1.5, "up"),
  girth_calf: girth(1.5, "up"),
  body_mass: kind({ group: "swelling", unit: "kg", least: 25, most: 250, better: null, realChange: 1 }),
  sit_to_stand_30s: count("function", { realChange: SIT_TO_STAND_REAL_CHANGE, with: "chair" }),
  five_rises: timed("function", 120, { better: "down", realChange: 2.5 }),
  up_and_go: timed("function", 180, { better: "down", realChange: 1.2 }),
  walk_10m: kind({ group: "function", unit: "m/s", least: 0.1, most: 4, realChange: 0.06 }),
  walk_2min: kind({ group: "function", unit: "m", least: 0, most: 400, realChange: 15 }),
  walk_6min: kind({ group: "function", unit: "m", least: 0, most: 1000, realChange: 30 }),
  stairs_time: timed("function", 300, { better: "down", realChangeShare: 0.1, with: "steps" }),
  floor_rise: timed("function", 300, { better: "down", realChangeShare: 0.15 }),
  daily_pain: score("function"),
  heel_raises: count("counts", { most: 100, isSided: true }),
  step_downs_30s: count("counts", { isSided: true, with: "step" }),
  single_leg_balance: timed("counts", 60, { isSided: true, realChangeShare: 0.1 }),
  front_hold: timed("counts", 600, { realChangeShare: 0.15 }),
  side_hold: timed("counts", 600, { isSided: true, realChangeShare: 0.15 }),
  back_hold: timed("counts", 600, { realChangeShare: 0.15 }),
  standing_reach: reachCm(0, 150, { group: "counts" }),
  hop_distance: reachCm(0, 350, { group: "counts", realChangeShare: 0.06 }),
  repetition_test: kind({
    ...{ group: "repetitions", unit: "kg", least: 1, most: 400, isSided: true, with: "lift" },
  }),
  // the worst pain in it; where it lies is kept beside
  painful_arc: score("painful_arc", { isSided: true, with: "arc" }),
  // its name, unit, direction and error are kept beside
  free_test: kind({ group: "free", unit: "", least: -1000, most: 10_000, better: null, with: "name" }),
} as const satisfies Record<string, KindModel>;

export type MeasurementKind = keyof typeof MODELS;
export const MEASUREMENT_KIND_IDS = Object.keys(MODELS) as [MeasurementKind, ...MeasurementKind[]];
const TEXTS: Readonly<Record<MeasurementKind, Pick<KindSpec, "name" | "how" | "realChangeSource">>> = texts;
export const measurementKind = (kind: MeasurementKind): KindSpec => ({ ...MODELS[kind], ...TEXTS[kind] });

/** Whether a value and a side say all of it: what a file of values can bring. */
export const isPlain = (k: MeasurementKind): boolean => {
  const beside = measurementKind(k).with;
  return beside === null || beside === "chair";
};

/** The smallest change from a value that is more than measurement error; null where it is not known. */
export function realChangeFrom(k: MeasurementKind, from: number): number | null {
  const { realChange, realChangeShare } = measurementKind(k);
  return realChangeShare === null ? realChange : Math.abs(from) * realChangeShare;
}
