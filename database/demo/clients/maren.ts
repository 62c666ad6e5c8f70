import type { DemoClient } from "../demoClient";
import { both, SUPPORTED } from "./parts";

export const MAREN: DemoClient = {
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
  screenings: [{ daysAgo: 60, yes: { rf_numb: "unsure" } }, { daysAgo: 48 }],
  phases: [
    { id: "subacute", daysAgo: 46, reason: "leg pain above the knee only, sits twenty minutes" },
    { id: "build", daysAgo: 12, reason: "hinges to mid-shin ten times, sits forty-five minutes" },
  ],
  can: ["bend_x10_without_symptoms"],
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
    { kind: "daily_pain", daysAgo: [60, 46, 30, 12], from: 3.2, to: 2, noise: 0.2 },
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
  sheets: [
    // two weeks on tour without any visit: days 26 to 10
    {
      name: "First months",
      place: "gym",
      madeDaysAgo: 44,
      lines: { draftMinutes: 30, place: "gym" },
      visitsDaysAgo: [43, 40, 37, 33, 30, 26, 9],
      hour: 15,
      lastMorning: "fine",
    },
    {
      name: "Other gym",
      place: "gym",
      madeDaysAgo: 10,
      lines: { draftMinutes: 15, place: "gym" },
      visitsDaysAgo: [8, 6, 3],
      hour: 11,
      lastMorning: "fine",
    },
  ],
};
