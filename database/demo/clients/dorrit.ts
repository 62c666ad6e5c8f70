import type { DemoClient } from "../demoClient";
import { both, holdLine, SUPPORTED, setsLine } from "./parts";

export const DORRIT: DemoClient = {
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
  can: ["30_second_chair_stand_at_or_above_age_norm", "stairs_with_rail_pain_most_3_10"],
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
  sheets: [
    // a stack whose next step is too far: repetitions come first
    {
      name: "Gym",
      place: "gym",
      madeDaysAgo: 53,
      lines: [
        holdLine({ deg: 60, fromDeg: 40, toDeg: 80 }, 6, { holdS: 20, reps: 5, restS: 60 }),
        setsLine(
          "curl_seated",
          "together",
          { sets: 2, reps: 10, reserve: 4, restS: 90 },
          {
            ladder: { of: "reps", least: 8, most: 12 },
          },
        ),
      ],
      visitsDaysAgo: [53, 49, 46, 42, 39, 35, 32, 28, 25, 21, 18, 14, 11, 7, 4],
      hour: 15,
      lastMorning: "fine",
    },
    // goes on by itself: she does it every other day and answers each morning
    {
      name: "Daily holds",
      place: "home",
      madeDaysAgo: 13,
      lines: [
        {
          ...holdLine({ deg: 60, fromDeg: 60, toDeg: 80 }, 4, { holdS: 20, reps: 4, restS: 45 }),
          exerciseId: "kext_iso_manual",
          order: { allows: "up", untilInDays: 21 },
        },
      ],
      visitsDaysAgo: [12, 10, 8, 6, 3, 2],
      hour: 9,
      lastMorning: "fine",
    },
  ],
};
