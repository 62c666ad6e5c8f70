import type { HoldPlan } from "../../src/core/dose/holdPlan";
import type { Machine } from "../../src/core/equipment/machine";
import { templateOf } from "../../src/core/equipment/templates";
import type { MeasurementKind } from "../../src/core/measure/measurementKinds";
import type { BoundKind } from "../../src/core/safety/boundKinds";
import type { EpisodeInput } from "../../src/core/story/storyInput";
import type { Movement } from "../../src/core/strength/movements";
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
  {
    key: "colleague",
    name: "Ruta Vanhallow",
    email: "ruta@tidewall.example",
    role: "therapist",
    massUnit: "kg",
  },
  { key: "trainer", name: "Corin Desh", email: "corin@tidewall.example", role: "trainer", massUnit: "kg" },
  { key: "admin", name: "Wout Hallebeek", email: "wout@tidewall.example", role: "admin", massUnit: "lb" },
] as const;

const notches = (unit: string, perUnit: number, ...values: number[]) =>
  values.map((value) => ({ label: `${Math.round(value * perUnit)}${unit}`, value }));
const numbered = (...values: number[]) => values.map((value, i) => ({ label: `${i + 1}`, value }));
const every = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step);

const machineOf = (family: string, own: Partial<Machine>): Machine => ({ ...templateOf(family), ...own });

/** The gym: a dozen machines with names of their own, as a small clinic has them. */
export const MACHINES: readonly Machine[] = [
  machineOf("seated_knee_extension", {
    name: "Bay extension",
    place: "window side",
    steps: { kind: "stack", first: 5, step: 5, plates: 20, addOns: [2.5], pulley: 1 },
    geometry: { ratioM: 0.3, frictionShare: 0.06, startLoadKg: 0 },
    cam: [
      [0, 0.72],
      [20, 0.9],
      [45, 1.08],
      [70, 1.14],
      [100, 0.96],
    ],
    notches: {
      backrestDeg: numbered(95, 105, 115, 125),
      padM: numbered(0.25, 0.33, 0.41),
      endDeg: notches("°", 1, ...every(5, 60, 5)),
      startDeg: notches("°", 1, ...every(60, 100, 5)),
    },
    note: "seat 4, back 2, pad 2; axis in line with the knee; lever stop at the hold angle",
  }),
  machineOf("seated_press", {
    name: "Lane press",
    place: "window side",
    steps: { kind: "stack", first: 10, step: 10, plates: 20, addOns: [5], pulley: 1 },
    geometry: { railDeg: 0, plateTiltDeg: -10, friction: 0.04, ratio: 0.94 },
    notches: {
      seatGapM: numbered(...every(0.525, 0.825, 0.025)),
      backToRailDeg: numbered(105, 115, 125, 135, 145),
    },
    note: "the stop under the seat before the client sits down",
  }),
  machineOf("sled_press", {
    name: "Slope sled",
    place: "back wall",
    geometry: { railDeg: 45, plateTiltDeg: 0, friction: 0.03, sledKg: 47 },
    notches: { backToRailDeg: numbered(95, 100, 110, 120) },
  }),
  machineOf("hack_squat", {
    name: "Ramp squat",
    place: "back wall",
    geometry: { inclineDeg: 55, carriageKg: 26, friction: 0.03 },
  }),
  machineOf("rail_squat", { name: "Rail bar", place: "back wall", geometry: { barKg: 17 } }),
  machineOf("leg_curl_prone", {
    name: "Long curl",
    place: "door side",
    geometry: { ratioM: 0.29, frictionShare: 0.07, startLoadKg: 0 },
  }),
  machineOf("leg_curl_seated", {
    name: "Bay curl",
    place: "window side",
    geometry: { ratioM: 0.3, frictionShare: 0.06, startLoadKg: 0 },
  }),
  machineOf("counterweight_curl", { name: "Kneeling rig", place: "mat corner" }),
  machineOf("standing_extension", { name: "Tall cable", place: "door side" }),
  machineOf("hip_abduction", { name: "Outer hip", place: "door side" }),
  machineOf("hip_adduction", { name: "Inner hip", place: "door side" }),
  machineOf("calf_seated", { name: "Calf bench", place: "mat corner" }),
];

export const CUFFS_KG = [0.5, 1, 1.5, 2, 3, 4, 5];

export interface DemoLimit {
  kind: BoundKind;
  low?: number;
  high?: number;
  word?: string;
  origin: "surgeon" | "therapist";
  reason: string;
  endsInDays: number | null;
}

/** A series of one kind: from its first to its last value along a straight line, with noise. */
export interface DemoSeries {
  kind: MeasurementKind;
  side?: Side;
  way?: "active" | "passive";
  daysAgo: number[];
  from: number;
  to: number;
  noise: number;
}

export interface DemoClient {
  name: string;
  occupation: string;
  birthYear: number;
  normSex: "female" | "male";
  heightM: number;
  bodyMassKg: number;
  story: Omit<EpisodeInput, "beganOn">;
  beganDaysAgo: number;
  /** the day the story was entered and the warning signs were asked */
  enteredDaysAgo: number;
  /** warning signs answered yes on a day; all others no */
  screenings: { daysAgo: number; yes?: Record<string, "yes" | "unsure">; by?: "therapist" | "colleague" }[];
  /** phases confirmed after the first, with the written reason where history did not meet every criterion */
  phases: { id: string; daysAgo: number; reason: string }[];
  /** what the person can do, in the words of the present phase */
  can: string[];
  limits: DemoLimit[];
  stance?: {
    id: string;
    chosen: string;
    reason: string;
    colleague: { option: string; reason: string };
    daysAgo: number;
  };
  series: DemoSeries[];
  /** how the pretended leg really is; the product never sees this, only measurements of it */
  truth: {
    /** peak torque of the involved side at the first test, N·m, its gain per week, and of the other side */
    peakNm: Partial<Record<Movement, [involved: number, other: number]>>;
    gainPerWeekPct: number;
    /** joint pain per unit of effort and how it lingers */
    painPerEffort: number;
  };
  /** strength tests, both sides on the same day */
  tests: { daysAgo: number; movement: Movement; anglesDeg: number[] }[];
  history: {
    planDaysAgo: number;
    plan: Omit<HoldPlan, "side">;
    sessionsDaysAgo: number[];
    /** the newest session's next morning: left open, fine, or flared by so much */
    lastMorning: "open" | "fine" | { painRise: number; swelling: number };
  } | null;
  /** whole sessions drafted from the rules and saved, days ago */
  wholeSessions?: { daysAgo: number[]; minutes: number; templateName?: string };
}

const both = (
  kind: MeasurementKind,
  daysAgo: number[],
  own: Side,
  from: number,
  to: number,
  other: number,
  noise: number,
): DemoSeries[] => [
  { kind, side: own, daysAgo, from, to, noise },
  {
    kind,
    side: own === "left" ? "right" : "left",
    daysAgo: daysAgo.slice(0, 1),
    from: other,
    to: other,
    noise: 0,
  },
];

const SUPPORTED = {
  uncovered: [] as EpisodeInput["uncovered"],
  support: "none",
  trainsAt: "clinic_gym",
} as const;

export const CLIENTS: DemoClient[] = [
  {
    name: "Tove Aldermoor",
    occupation: "ferry steward",
    birthYear: 1985,
    normSex: "female",
    heightM: 1.68,
    bodyMassKg: 71,
    story: {
      ...SUPPORTED,
      side: "right",
      conditions: [{ conditionId: "extensor_tendinopathy", variantId: "patellar", beganOn: null }],
      uncovered: [],
      calledAs: "kneecap tendon pain",
      beganWith: "onset",
      details: "",
      surgeonNote: "",
      painMarks: ["knee_tendon"],
      painNow: 2,
      painWorst: 5,
      painBest: 0,
      bringsOn: "much",
      settlesIn: "minutes",
      swellingApplies: false,
      firstSwelling: 0,
      goals: [
        { goalId: "stairs", words: "steep gangway stairs with a tray, without stopping", hard: 6 },
        { goalId: "run", words: "", hard: 7 },
      ],
      weekdays: [1, 3, 5],
    },
    beganDaysAgo: 45,
    enteredDaysAgo: 44,
    screenings: [{ daysAgo: 44 }],
    phases: [{ id: "heavy_slow", daysAgo: 30, reason: "tendon settled at once, symmetry to follow by test" }],
    can: [],
    limits: [
      {
        kind: "knee_flexion_under_load",
        low: 25,
        high: 95,
        origin: "therapist",
        reason: "the last degrees to straight still pinch",
        endsInDays: 30,
      },
    ],
    series: [
      { kind: "daily_pain", daysAgo: [44, 27, 13, 2], from: 4, to: 1, noise: 0.3 },
      ...both("knee_straightening", [44, 13], "right", 0, 0, 0, 0.2),
      ...both("knee_bend", [44, 13], "right", 134, 138, 140, 1),
      ...both("girth_thigh", [44, 13], "right", 51.5, 52.3, 53.2, 0.2),
      { kind: "sit_to_stand_30s", daysAgo: [44, 13], from: 17, to: 20, noise: 0.4 },
      ...both("single_leg_balance", [44, 13], "right", 31, 45, 52, 2),
    ],
    truth: {
      peakNm: { knee_extension: [142, 168], knee_flexion: [84, 92], hip_abduction: [78, 84] },
      gainPerWeekPct: 2.2,
      painPerEffort: 0.22,
    },
    tests: [
      { daysAgo: 27, movement: "knee_extension", anglesDeg: [60, 90] },
      { daysAgo: 27, movement: "knee_flexion", anglesDeg: [60] },
      { daysAgo: 26, movement: "hip_abduction", anglesDeg: [0] },
    ],
    history: {
      planDaysAgo: 27,
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
    normSex: "male",
    heightM: 1.77,
    bodyMassKg: 88,
    story: {
      ...SUPPORTED,
      side: "left",
      conditions: [{ conditionId: "total_knee_replacement", variantId: "standard", beganOn: null }],
      uncovered: [],
      calledAs: "total knee replacement",
      beganWith: "surgery",
      details: "cemented, kneecap not resurfaced, wound healed without trouble",
      surgeonNote: "no loaded bend past 90° for twelve weeks; stairs with rail from week 6",
      painMarks: ["knee_cap", "knee_inner"],
      painNow: 1,
      painWorst: 4,
      painBest: 0,
      bringsOn: "some",
      settlesIn: "hours",
      swellingApplies: true,
      firstSwelling: 1,
      goals: [
        { goalId: "low_chair", words: "rise from the low bench at the furnace", hard: 8 },
        { goalId: "stairs", words: "", hard: 6 },
      ],
      support: "sleeve",
      weekdays: [1, 2, 4, 5],
    },
    beganDaysAgo: 65,
    enteredDaysAgo: 58,
    screenings: [{ daysAgo: 58 }, { daysAgo: 23 }],
    phases: [
      { id: "w2_6", daysAgo: 50, reason: "walks without aid, straight to 6 degrees" },
      { id: "w6_12", daysAgo: 22, reason: "stands up five times without hands; bend follows" },
    ],
    can: ["stairs with rail"],
    limits: [
      {
        kind: "knee_flexion_under_load",
        high: 88,
        origin: "therapist",
        reason: "bends to 93° today, five degrees kept in hand",
        endsInDays: 21,
      },
      {
        kind: "knee_flexion_under_load",
        high: 90,
        origin: "surgeon",
        reason: "the written note bars a loaded bend past 90 for twelve weeks",
        endsInDays: 19,
      },
    ],
    series: [
      ...both("knee_straightening", [58, 44, 30, 16, 2], "left", 12, 4, 0, 0.6),
      ...both("knee_bend", [58, 44, 30, 16, 2], "left", 68, 94, 128, 1.5),
      { kind: "quadriceps_lag", side: "left", daysAgo: [58, 44, 30, 16, 2], from: 12, to: 3, noise: 0.6 },
      { kind: "swelling", side: "left", daysAgo: [58, 44, 30, 16, 2], from: 3, to: 2, noise: 0.2 },
      ...both("girth_mid_patella", [58, 30, 2], "left", 44.5, 42.2, 40.6, 0.2),
      ...both("girth_thigh", [58, 30, 2], "left", 49.2, 49.8, 52.6, 0.2),
      { kind: "sit_to_stand_30s", daysAgo: [44, 30, 16, 2], from: 6, to: 9, noise: 0.4 },
      { kind: "daily_pain", daysAgo: [58, 44, 30, 16, 2], from: 5, to: 3, noise: 0.3 },
    ],
    truth: {
      peakNm: { knee_extension: [86, 128], knee_flexion: [52, 71] },
      gainPerWeekPct: 3,
      painPerEffort: 0.16,
    },
    tests: [
      { daysAgo: 23, movement: "knee_extension", anglesDeg: [60, 80] },
      { daysAgo: 23, movement: "knee_flexion", anglesDeg: [60] },
    ],
    history: {
      planDaysAgo: 23,
      plan: {
        kneeFlexionDeg: 50,
        effort: { kind: "felt", felt: 5 },
        means: "machine",
        pattern: { holdS: 20, reps: 5, restS: 60, sets: 1, setRestS: 0 },
        ladderFromDeg: 40,
        ladderToDeg: 80,
      },
      sessionsDaysAgo: [22, 20, 17, 15, 13, 10, 8, 6, 2],
      lastMorning: { painRise: 3, swelling: 2 },
    },
  },
  {
    name: "Jorun Salthe",
    occupation: "postal carrier",
    birthYear: 1997,
    normSex: "female",
    heightM: 1.74,
    bodyMassKg: 67,
    story: {
      ...SUPPORTED,
      side: "right",
      conditions: [{ conditionId: "acl_reconstruction", variantId: "hamstring_graft", beganOn: null }],
      uncovered: [],
      calledAs: "front cruciate ligament reconstruction, hamstring graft",
      beganWith: "surgery",
      details: "four-strand hamstring graft, meniscus untouched",
      surgeonNote: "extension under load from 90 to 45 only until week 12; no brace",
      painMarks: ["knee_cap", "thigh_back"],
      painNow: 1,
      painWorst: 4,
      painBest: 0,
      bringsOn: "little",
      settlesIn: "hours",
      swellingApplies: true,
      firstSwelling: 1,
      goals: [
        { goalId: "walk_30", words: "walk the mail round with its stairs, then run again", hard: 8 },
        { goalId: "run", words: "", hard: 10 },
      ],
      weekdays: [1, 3, 4, 6],
    },
    beganDaysAgo: 37,
    enteredDaysAgo: 33,
    screenings: [{ daysAgo: 33 }],
    phases: [
      { id: "p2", daysAgo: 22, reason: "lag gone, walks with one crutch" },
      { id: "p3", daysAgo: 8, reason: "full straightening, swelling 1+, walks without crutches" },
    ],
    can: [],
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
    series: [
      ...both("knee_straightening", [33, 22, 8], "right", 6, 0, -2, 0.3),
      ...both("knee_bend", [33, 22, 8], "right", 82, 117, 142, 1.5),
      { kind: "quadriceps_lag", side: "right", daysAgo: [33, 22, 8], from: 8, to: 0, noise: 0.2 },
      { kind: "swelling", side: "right", daysAgo: [33, 22, 8], from: 3, to: 1, noise: 0.1 },
      ...both("girth_thigh", [33, 8], "right", 50.1, 50.4, 52.8, 0.2),
      { kind: "daily_pain", daysAgo: [33, 22, 8], from: 4, to: 2, noise: 0.2 },
    ],
    truth: { peakNm: { knee_extension: [74, 171] }, gainPerWeekPct: 3, painPerEffort: 0.12 },
    tests: [],
    history: null,
  },
  {
    name: "Maren Ostrelle",
    occupation: "cellist",
    birthYear: 1974,
    normSex: "female",
    heightM: 1.65,
    bodyMassKg: 62,
    story: {
      ...SUPPORTED,
      side: "left",
      conditions: [{ conditionId: "lumbar_disc_flexion", variantId: "with_leg", beganOn: null }],
      uncovered: [],
      calledAs: "disc-related back pain into the left leg",
      beganWith: "onset",
      details: "after a day of moving music stands; no weakness, sensation returned in week 3",
      surgeonNote: "",
      painMarks: ["back_low", "back_buttock", "thigh_back"],
      painNow: 2,
      painWorst: 5,
      painBest: 1,
      bringsOn: "some",
      settlesIn: "hours",
      swellingApplies: false,
      firstSwelling: 0,
      goals: [
        { goalId: null, words: "sit through a rehearsal of two hours", hard: 7 },
        { goalId: "lift_floor", words: "lift the cello case into the van", hard: 9 },
      ],
      trainsAt: "other_gym",
      weekdays: [2, 4, 7],
    },
    beganDaysAgo: 68,
    enteredDaysAgo: 60,
    wholeSessions: { daysAgo: [10, 6], minutes: 20 },
    screenings: [{ daysAgo: 60, yes: { rf_numb: "unsure" } }, { daysAgo: 48 }],
    phases: [
      { id: "subacute", daysAgo: 46, reason: "leg pain above the knee only, sits twenty minutes" },
      { id: "build", daysAgo: 12, reason: "hinges to mid-shin ten times, sits forty-five minutes" },
    ],
    can: ["bend x10 without symptoms"],
    limits: [
      {
        kind: "weight_on_shoulders",
        word: "none",
        origin: "therapist",
        reason: "leg pain came back with a bar on the shoulders",
        endsInDays: 28,
      },
    ],
    series: [
      { kind: "daily_pain", daysAgo: [60, 46, 30, 12], from: 6, to: 2, noise: 0.3 },
      ...both("hip_bend", [60, 30, 12], "left", 84, 108, 118, 1.5),
      { kind: "sit_to_stand_30s", daysAgo: [60, 30, 12], from: 11, to: 15, noise: 0.4 },
      ...both("single_leg_balance", [46, 12], "left", 14, 30, 38, 2),
    ],
    truth: {
      peakNm: { knee_extension: [96, 108], hip_extension: [88, 101] },
      gainPerWeekPct: 1.8,
      painPerEffort: 0.1,
    },
    tests: [
      { daysAgo: 45, movement: "knee_extension", anglesDeg: [60] },
      { daysAgo: 30, movement: "hip_extension", anglesDeg: [0] },
      { daysAgo: 12, movement: "knee_extension", anglesDeg: [60] },
    ],
    history: {
      planDaysAgo: 44,
      plan: {
        kneeFlexionDeg: 60,
        effort: { kind: "felt", felt: 5 },
        means: "machine",
        pattern: { holdS: 30, reps: 4, restS: 60, sets: 1, setRestS: 0 },
        ladderFromDeg: 45,
        ladderToDeg: 75,
      },
      sessionsDaysAgo: [44, 40, 37, 33, 30, 26, 23, 19, 16, 12, 9, 5],
      lastMorning: "fine",
    },
  },
  {
    name: "Dorrit Fenwake",
    occupation: "net mender",
    birthYear: 1956,
    normSex: "female",
    heightM: 1.61,
    bodyMassKg: 74,
    story: {
      ...SUPPORTED,
      side: "right",
      conditions: [{ conditionId: "knee_oa", variantId: "moderate", beganOn: null }],
      uncovered: [],
      calledAs: "knee arthritis",
      beganWith: "onset",
      details: "both knees, the right one worse; no injections",
      surgeonNote: "",
      painMarks: ["knee_inner", "knee_cap"],
      painNow: 2,
      painWorst: 4,
      painBest: 1,
      bringsOn: "much",
      settlesIn: "hours",
      swellingApplies: true,
      firstSwelling: 1,
      goals: [
        { goalId: "kneel", words: "kneel on the quay to mend", hard: 5 },
        { goalId: "walk_30", words: "", hard: 3 },
      ],
      weekdays: [2, 5],
    },
    beganDaysAgo: 128,
    enteredDaysAgo: 126,
    screenings: [
      { daysAgo: 126, yes: { rf_varicose: "yes" } },
      { daysAgo: 40, yes: { rf_varicose: "yes" } },
    ],
    phases: [{ id: "build", daysAgo: 110, reason: "swelling down a grade, chair ten times" }],
    can: ["30-second chair stand at or above age norm", "stairs with rail, pain <=3/10"],
    limits: [],
    series: [
      ...both("knee_straightening", [126, 98, 70, 42, 14], "right", 9, 4, 3, 0.5),
      ...both("knee_bend", [126, 98, 70, 42, 14], "right", 104, 121, 126, 1.5),
      { kind: "quadriceps_lag", side: "right", daysAgo: [126, 98, 42, 14], from: 3, to: 0, noise: 0 },
      { kind: "swelling", side: "right", daysAgo: [126, 98, 70, 42, 14], from: 2, to: 0, noise: 0.2 },
      ...both("girth_thigh", [126, 70, 14], "right", 50.6, 52, 52.3, 0.2),
      { kind: "sit_to_stand_30s", daysAgo: [126, 98, 70, 42, 14], from: 9, to: 15, noise: 0.4 },
      { kind: "daily_pain", daysAgo: [126, 98, 70, 42, 14], from: 5, to: 2, noise: 0.2 },
      ...both("single_leg_balance", [126, 70, 14], "right", 9, 21, 20, 1.5),
    ],
    truth: {
      peakNm: { knee_extension: [72, 92], knee_flexion: [42, 52] },
      gainPerWeekPct: 1.7,
      painPerEffort: 0.1,
    },
    tests: [
      { daysAgo: 124, movement: "knee_extension", anglesDeg: [60] },
      { daysAgo: 96, movement: "knee_extension", anglesDeg: [60] },
      { daysAgo: 54, movement: "knee_extension", anglesDeg: [60, 90] },
      { daysAgo: 14, movement: "knee_extension", anglesDeg: [60, 90] },
      { daysAgo: 54, movement: "knee_flexion", anglesDeg: [60] },
      { daysAgo: 14, movement: "knee_flexion", anglesDeg: [60] },
    ],
    history: {
      planDaysAgo: 53,
      plan: {
        kneeFlexionDeg: 60,
        effort: { kind: "felt", felt: 6 },
        means: "machine",
        pattern: { holdS: 20, reps: 5, restS: 60, sets: 1, setRestS: 0 },
        ladderFromDeg: 40,
        ladderToDeg: 80,
      },
      sessionsDaysAgo: [53, 49, 46, 42, 39, 35, 32, 28, 25, 21, 18, 14, 11, 7, 4],
      lastMorning: "fine",
    },
  },
  {
    name: "Quill Bastow",
    occupation: "pastry cook",
    birthYear: 1989,
    normSex: "male",
    heightM: 1.83,
    bodyMassKg: 93,
    story: {
      ...SUPPORTED,
      side: "left",
      conditions: [{ conditionId: "partial_meniscectomy", variantId: "base", beganOn: null }],
      uncovered: [],
      calledAs: "partial removal of the inner meniscus",
      beganWith: "surgery",
      details: "inner meniscus, back horn; through the scope",
      surgeonNote: "full weight as tolerated",
      painMarks: ["knee_inner", "calf"],
      painNow: 3,
      painWorst: 5,
      painBest: 2,
      bringsOn: "some",
      settlesIn: "hours",
      swellingApplies: true,
      firstSwelling: 2,
      goals: [{ goalId: "walk_30", words: "stand and walk through a night at the ovens", hard: 8 }],
      weekdays: [1, 4],
    },
    beganDaysAgo: 19,
    enteredDaysAgo: 16,
    screenings: [{ daysAgo: 16 }, { daysAgo: 1, yes: { rf_calf: "yes" }, by: "colleague" }],
    phases: [],
    can: [],
    limits: [],
    series: [
      ...both("knee_straightening", [16, 8, 1], "left", 8, 4, 0, 0.4),
      ...both("knee_bend", [16, 8, 1], "left", 92, 108, 136, 1.5),
      { kind: "swelling", side: "left", daysAgo: [16, 8, 1], from: 2, to: 3, noise: 0 },
      ...both("girth_calf", [16, 1], "left", 40.2, 42.1, 40, 0.1),
      { kind: "daily_pain", daysAgo: [16, 8, 1], from: 4, to: 5, noise: 0.2 },
    ],
    truth: { peakNm: { knee_extension: [118, 196] }, gainPerWeekPct: 2, painPerEffort: 0.15 },
    tests: [{ daysAgo: 8, movement: "knee_extension", anglesDeg: [60] }],
    history: null,
  },
  {
    name: "Idony Greaves",
    occupation: "sailmaker",
    birthYear: 1993,
    normSex: "female",
    heightM: 1.7,
    bodyMassKg: 64,
    story: {
      ...SUPPORTED,
      side: "right",
      conditions: [{ conditionId: "acl_deficient", variantId: "base", beganOn: null }],
      uncovered: [],
      calledAs: "torn front cruciate ligament, not operated",
      beganWith: "onset",
      details: "twisted on a wet slip; seen by a surgeon, who agrees to train first",
      surgeonNote: "",
      painMarks: ["knee_cap"],
      painNow: 0,
      painWorst: 2,
      painBest: 0,
      bringsOn: "much",
      settlesIn: "minutes",
      swellingApplies: true,
      firstSwelling: 1,
      goals: [{ goalId: "sport", words: "sail dinghies again", hard: 9 }],
      weekdays: [1, 3, 6],
    },
    beganDaysAgo: 74,
    wholeSessions: {
      daysAgo: [22, 19, 15, 12, 8, 5],
      minutes: 30,
      templateName: "Strong knee, 30 minutes",
    },
    enteredDaysAgo: 66,
    screenings: [{ daysAgo: 66 }],
    phases: [{ id: "build", daysAgo: 44, reason: "no lag, walks without limp" }],
    can: ["no giving way in daily life"],
    limits: [],
    stance: {
      id: "acl_deficient.oc_extension",
      chosen: "restricted",
      reason: "the knee still slides; widen when the next test is above 80 %",
      colleague: {
        option: "free_from_start",
        reason: "the quadriceps is the weak link, and laxity did not grow in the trial",
      },
      daysAgo: 30,
    },
    series: [
      ...both("knee_straightening", [66, 44, 16], "right", 4, 0, -1, 0.2),
      ...both("knee_bend", [66, 44, 16], "right", 116, 133, 140, 1),
      { kind: "quadriceps_lag", side: "right", daysAgo: [66, 44, 16], from: 4, to: 0, noise: 0 },
      { kind: "swelling", side: "right", daysAgo: [66, 44, 16], from: 2, to: 1, noise: 0 },
      ...both("girth_thigh", [66, 16], "right", 48.9, 49.8, 51.4, 0.2),
      { kind: "daily_pain", daysAgo: [66, 44, 16], from: 3, to: 1, noise: 0.2 },
      ...both("single_leg_balance", [44, 16], "right", 22, 41, 48, 2),
    ],
    truth: {
      peakNm: { knee_extension: [98, 149], knee_flexion: [66, 78] },
      gainPerWeekPct: 2.4,
      painPerEffort: 0.05,
    },
    tests: [
      { daysAgo: 43, movement: "knee_extension", anglesDeg: [60, 90] },
      { daysAgo: 16, movement: "knee_extension", anglesDeg: [60, 90] },
      { daysAgo: 16, movement: "knee_flexion", anglesDeg: [60] },
    ],
    history: {
      planDaysAgo: 42,
      plan: {
        kneeFlexionDeg: 70,
        effort: { kind: "felt", felt: 6 },
        means: "machine",
        pattern: { holdS: 30, reps: 5, restS: 60, sets: 1, setRestS: 0 },
        ladderFromDeg: 60,
        ladderToDeg: 85,
      },
      sessionsDaysAgo: [42, 39, 36, 32, 29, 26, 22, 19, 15, 12, 8, 3],
      lastMorning: "fine",
    },
  },
];
