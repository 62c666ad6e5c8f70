import type { Body } from "../../body/segments";
import type { Cam } from "../../mechanics/camCurve";
import type { SolvedLeg } from "../../mechanics/solvedLeg";
import type { Vector } from "../../mechanics/vector";

/** A number of a machine that nobody turns: measured once, when the machine is entered. */
export interface GeometryModel {
  key: string;
  /** as shown; values are SI and degrees */
  unit: "cm" | "kg" | "°" | "";
  least: number;
  most: number;
  usual: number;
}
export interface GeometrySpec extends GeometryModel {
  name: string;
  how: string;
}

/** Something that is set for a client, at notches. */
export interface SettingModel {
  key: string;
  unit: "cm" | "°" | "";
  /** notches of a usual machine; a machine of the clinic may have its own */
  from: number;
  to: number;
  step: number;
  usual: number;
}
export interface SettingSpec extends SettingModel {
  name: string;
  /** words instead of numbers, by notch */
  words?: readonly string[];
  /** what turning it does */
  meaning: string;
}

/** The numbers of one machine. */
export interface MachineGeometry {
  values: Readonly<Record<string, number>>;
  cam: Cam;
}

/** Everything that is set: settings at notches, which legs, what is loaded, in which half of a repetition. */
export interface SetUp {
  settings: Readonly<Record<string, number>>;
  /** share of the load on the looked-at leg: half with two legs, all with one */
  share: number;
  /** +1 pushing, -1 lowering, 0 held */
  phase: -1 | 0 | 1;
  /** in the family's unit; 0 is nothing added */
  load: number;
}

/** An end of the knee's arc that a setting makes. */
export interface ArcEnd {
  /** the stop that makes it */
  setting: string;
  end: "straight" | "bent";
  deg: number;
}

/** A part of the machine in the side view; points in metres from the hip, x forward as the person stands or sits. */
export interface MachinePart {
  kind: "seat" | "back" | "plate" | "rail" | "lever" | "pad" | "bar" | "floor" | "axis";
  from: Vector;
  to: Vector;
}

/** Where a setting can be dragged in the side view: at a point, along a direction in which the setting grows. */
export interface PoseHandle {
  setting: string;
  at: Vector;
  /** metres of the drawing per unit of the setting, and where to */
  along: Vector;
}

export interface SideView {
  parts: readonly MachinePart[];
  handles: readonly PoseHandle[];
}

/** One family of machines: what is measured on it, what is set, and how a leg stands and is loaded on it. */
export interface FamilyModel {
  id: string;
  geometry: readonly GeometryModel[];
  settings: readonly SettingModel[];
  /** the resistance changes over the lift: a lever with a curve */
  hasCam: boolean;
  /** the stack acts on a rail through a ratio that the load cell can find */
  hasRatio?: boolean;
  /** what is loaded; null where the body alone is */
  load: { unit: "kg" } | null;
  /** loads that a person can stand against in these settings, kg, and what ends them on each side */
  standsAgainst?: (
    body: Body,
    settings: SetUp["settings"],
  ) => { leastKg: number; mostKg: number; because: Slips };
  /** the load pulls and is not carried through the foot */
  isPull?: boolean;
  /** what of a machine is out of a body's reach, with the notch that would do; null where nothing is */
  outOfReach?: (
    body: Body,
    machine: MachineGeometry,
    settings: SetUp["settings"],
    notches: (key: string) => readonly number[],
  ) => OutOfReach | null;
  /** a hand or strap resists: less exact than a machine */
  isHeldByHand?: boolean;
  /** more load makes it lighter: a counterweight */
  isReversed?: boolean;
  /** angles of the knee that the model is valid for */
  range: readonly [number, number];
  /** Throws InputError where the foot is out of reach. */
  solve: (
    body: Body,
    machine: MachineGeometry,
    setUp: SetUp,
    kneeFlexionDeg: number,
    coactivation?: number,
  ) => SolvedLeg;
  /** what stops of this set-up leave of the arc */
  ends: (body: Body, machine: MachineGeometry, settings: SetUp["settings"]) => ArcEnd[];
  sideView: (
    body: Body,
    machine: MachineGeometry,
    settings: SetUp["settings"],
    kneeFlexionDeg: number,
    leg: SolvedLeg,
  ) => SideView;
}

/** A family as it is called: the words of its id and of its keys stand in text/en.json. */
export interface MachineFamily extends FamilyModel {
  name: string;
  /** one sentence for who enters a machine */
  about: string;
  geometry: readonly GeometrySpec[];
  settings: readonly SettingSpec[];
  load: { name: string; unit: "kg" } | null;
}

/** What ends a stand against a pull. */
export type Slips = "shoes_slide" | "toes";

/** A setting as it is, and the notch nearest to it that would do; null where none would. */
export interface OutOfReach {
  code: "setUp.seat_too_far" | "setUp.bench_too_high";
  atM: number;
  wouldDoM: number | null;
}

/** A value that must be there because the family's own spec names it. */
export function numberOf(values: Readonly<Record<string, number>>, key: string): number {
  const value = values[key];
  if (value === undefined) throw new Error(`No value for ${key}.`);
  return value;
}

/** Notches of a usual machine. */
export function usualNotches(s: SettingSpec): number[] {
  const count = Math.round((s.to - s.from) / s.step) + 1;
  return Array.from({ length: count }, (_, i) => Math.round((s.from + i * s.step) * 1e6) / 1e6);
}

/** Knee flexion half way through what is usually worked in, degrees: where a machine is drawn and its load explained. */
export const middleDeg = ([from, to]: readonly [number, number]): number => (from + Math.min(to, 100)) / 2;
