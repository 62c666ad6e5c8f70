import type { HoldPlan } from "../../src/core/dose/holdPlan";
import type { Cam } from "../../src/core/equipment/resistanceCurve";
import type { Irritability, School } from "../../src/core/progression/painRule";
import type { Side } from "../../src/core/units/fields";

/** The made-up scenario as data: a cooperative clinic in a made-up harbour town. Nobody and nothing here is real. */
export const CLINIC = { name: "Tidewall Cooperative Clinic", timeZone: "Europe/Amsterdam" };

export const PEOPLE = [
  {
    key: "therapist",
    name: "Ines Marlowick",
    email: "ines@tidewall.example",
    role: "therapist",
    massUnit: "kg",
  },
  { key: "trainer", name: "Corin Desh", email: "corin@tidewall.example", role: "trainer", massUnit: "kg" },
  { key: "admin", name: "Wout Hallebeek", email: "wout@tidewall.example", role: "admin", massUnit: "lb" },
] as const;

export const MACHINE = {
  name: "Bay extension",
  steps: { kind: "stack", first: 5, step: 5, plates: 20, addOns: [2.5], pulley: 1 },
  ratioM: 0.3,
  cam: [
    [0, 0.72],
    [20, 0.9],
    [45, 1.08],
    [70, 1.14],
    [100, 0.96],
  ] satisfies Cam,
  padDistanceM: 0.33,
  frictionShare: 0.06,
  backrestDeg: 105,
  usable: [5, 100] as const,
  angleNotchDeg: 5,
  setUp: "seat 4, back 2, pad 2; axis in line with the knee; lever stop at the hold angle",
};

export const CUFFS_KG = [0.5, 1, 1.5, 2, 3, 4, 5];

export interface DemoLimit {
  kind: "knee_flexion_under_load" | "joint_pain";
  low: number | null;
  high: number | null;
  origin: "surgeon" | "therapist" | "condition";
  reason: string;
  endsInDays: number | null;
}

export interface DemoClient {
  name: string;
  occupation: string;
  birthYear: number;
  heightM: number;
  bodyMassKg: number;
  side: Side;
  condition: string;
  beganDaysAgo: number;
  beganWith: "surgery" | "onset";
  school: School;
  irritability: Irritability;
  usualPain: number;
  swellingApplies: boolean;
  firstSwelling: number;
  goal: string;
  /** in the terms of the rule base */
  rules: { conditionId: string; variantId: string; phaseId: string };
  limits: DemoLimit[];
  /** how the pretended leg really is; the product never sees this, only measurements of it */
  truth: {
    /** peak extension torque at the first test, N·m, and its gain per week */
    peakNm: number;
    gainPerWeekPct: number;
    otherPeakNm: number;
    /** joint pain per unit of effort and how it lingers */
    painPerEffort: number;
  };
  history: {
    /** first test and plan, days ago; then sessions on these days ago */
    testedDaysAgo: number;
    testAnglesDeg: number[];
    plan: Omit<HoldPlan, "side">;
    sessionsDaysAgo: number[];
    /** the newest session's next morning: left open, or flared by so much */
    lastMorning: "open" | { painRise: number; swelling: number };
  } | null;
}

export const CLIENTS: DemoClient[] = [
  {
    name: "Tove Aldermoor",
    occupation: "ferry steward",
    birthYear: 1985,
    heightM: 1.68,
    bodyMassKg: 71,
    side: "right",
    condition: "kneecap tendon pain",
    beganDaysAgo: 45,
    beganWith: "onset",
    school: "monitoring",
    irritability: "low",
    usualPain: 2,
    swellingApplies: false,
    firstSwelling: 0,
    goal: "steep gangway stairs with a tray, without stopping",
    rules: { conditionId: "extensor_tendinopathy", variantId: "patellar", phaseId: "heavy_slow" },
    limits: [
      {
        kind: "knee_flexion_under_load",
        low: 25,
        high: 95,
        origin: "therapist",
        reason: "the last degrees to straight still pinch",
        endsInDays: 30,
      },
      {
        kind: "joint_pain",
        low: null,
        high: 3,
        origin: "condition",
        reason: "tendon pain: at most 3 of 10, settled by the next morning",
        endsInDays: null,
      },
    ],
    truth: { peakNm: 142, gainPerWeekPct: 2.2, otherPeakNm: 168, painPerEffort: 0.22 },
    history: {
      testedDaysAgo: 27,
      testAnglesDeg: [60, 90],
      plan: {
        kneeFlexionDeg: 30,
        effort: { kind: "felt", felt: 6.5 },
        means: "machine",
        pattern: { holdS: 45, reps: 5, restS: 120, sets: 1, setRestS: 0 },
        ladderFromDeg: 30,
        ladderToDeg: 90,
      },
      sessionsDaysAgo: [26, 24, 22, 19, 17, 15, 12, 10, 8, 5, 3, 1],
      lastMorning: "open",
    },
  },
  {
    name: "Pell Amsworth",
    occupation: "glassblower",
    birthYear: 1959,
    heightM: 1.77,
    bodyMassKg: 88,
    side: "left",
    condition: "total knee replacement",
    beganDaysAgo: 65,
    beganWith: "surgery",
    school: "post_op",
    irritability: "moderate",
    usualPain: 1,
    swellingApplies: true,
    firstSwelling: 1,
    goal: "rise from the low bench at the furnace",
    rules: { conditionId: "total_knee_replacement", variantId: "standard", phaseId: "w6_12" },
    limits: [
      {
        kind: "knee_flexion_under_load",
        low: null,
        high: 88,
        origin: "therapist",
        reason: "bends to 93° today, five degrees kept in hand",
        endsInDays: 21,
      },
      {
        kind: "knee_flexion_under_load",
        low: null,
        high: 90,
        origin: "surgeon",
        reason: "the written note bars a loaded bend past 90 for twelve weeks",
        endsInDays: 19,
      },
    ],
    truth: { peakNm: 86, gainPerWeekPct: 3, otherPeakNm: 128, painPerEffort: 0.16 },
    history: {
      testedDaysAgo: 23,
      testAnglesDeg: [60, 80],
      plan: {
        kneeFlexionDeg: 50,
        effort: { kind: "felt", felt: 5 },
        means: "machine",
        pattern: { holdS: 20, reps: 5, restS: 60, sets: 1, setRestS: 0 },
        ladderFromDeg: 40,
        ladderToDeg: 80,
      },
      sessionsDaysAgo: [22, 20, 17, 15, 13, 10, 8, 6, 2],
      lastMorning: { painRise: 1, swelling: 1 },
    },
  },
  {
    name: "Jorun Salthe",
    occupation: "postal carrier",
    birthYear: 1997,
    heightM: 1.74,
    bodyMassKg: 67,
    side: "right",
    condition: "front cruciate ligament reconstruction, hamstring graft",
    beganDaysAgo: 37,
    beganWith: "surgery",
    school: "post_op",
    irritability: "high",
    usualPain: 1,
    swellingApplies: true,
    firstSwelling: 1,
    goal: "walk the mail round with its stairs, then run again",
    rules: { conditionId: "acl_reconstruction", variantId: "hamstring_graft", phaseId: "p3" },
    limits: [
      {
        kind: "knee_flexion_under_load",
        low: 45,
        high: 90,
        origin: "surgeon",
        reason: "the written note allows extension under load from 90 to 45 only, to protect the graft",
        endsInDays: 47,
      },
    ],
    truth: { peakNm: 74, gainPerWeekPct: 3, otherPeakNm: 171, painPerEffort: 0.12 },
    history: null,
  },
];
