import { TERMS } from "./terms";

/** What a screen is for, and the words that stand on it. */
export interface PageWords {
  name: string;
  about: string;
  words: readonly (readonly [term: string, meaning: string])[];
}

/** By the last part of an address; the most special first. */
const PAGES: readonly (readonly [pattern: RegExp, page: PageWords])[] = [
  [
    /^\/$/,
    {
      name: "Today",
      about:
        "Who is in care, what the knee said last, and the one next thing for each. Those who need a hand come first.",
      words: [
        ["three numbers", "Joint pain before and after the last visit and the next morning, 0 to 10."],
        ["diamond", "It is due; a barred ring is blocked, a dot is done."],
      ],
    },
  ],
  [
    /\/story$|\/clients\/new$/,
    {
      name: "Story",
      about:
        "Who it is, what hurts and since when, and what the leg must do again. Limits, goals and doses follow from it.",
      words: [
        TERMS.irritability,
        ["uncovered", "A condition that the rules do not know: limits are then written by hand."],
      ],
    },
  ],
  [
    /\/screen$/,
    {
      name: "Screen",
      about: "Warning signs first. A yes or unsure stands until it is cleared by who may clear it.",
      words: [
        ["stop and refer", "Nothing is planned or run; the sign says how soon somebody must look."],
        ["caution", "Work goes on inside tighter limits."],
      ],
    },
  ],
  [
    /\/limits$/,
    {
      name: "Limits",
      about:
        "Everything that bounds the work today: who set it, why, until when, who can lift it; and what opens the next phase.",
      words: [TERMS.stance, TERMS.phase, TERMS.flexion],
    },
  ],
  [
    /\/measure$/,
    {
      name: "Measure",
      about:
        "Strength by load cell, range, swelling, function, repetitions; each with what one session can tell.",
      words: [TERMS.newtonMetre, TERMS.symmetry, TERMS.cannotTell],
    },
  ],
  [
    /\/choose$/,
    {
      name: "Choose",
      about:
        "What fits this knee in this gym, set so that it can be compared: three picks first, everything under one ruler behind a key.",
      words: [
        TERMS.kneecap,
        TERMS.flexion,
        ["brackets", "The part of the bend that limits, stops and this knee leave open; hatched is barred."],
      ],
    },
  ],
  [
    /\/dose$/,
    {
      name: "Dose",
      about:
        "The client's sheets, line by line: what is set, how many, how hard, and what the whole sheet comes to.",
      words: [TERMS.line, TERMS.ladder, TERMS.reserve, TERMS.hard],
    },
  ],
  [
    /\/week$/,
    {
      name: "Week",
      about:
        "Which days, by rules that are said: spacing, minutes, work of the weeks before. Drag a day, or move it by keys.",
      words: [TERMS.block, TERMS.hard],
    },
  ],
  [
    /\/floor$/,
    {
      name: "Floor",
      about: "A sheet is run: what to set, the timer, joint pain by number keys, a stop that is always live.",
      words: [TERMS.jointPain, TERMS.reserve],
    },
  ],
  [
    /\/morning$/,
    {
      name: "Morning",
      about:
        "Pain, swelling and stiffness on the next morning, by link or by the clinic. Without it nobody steps up.",
      words: [],
    },
  ],
  [
    /\/(decide|ladder)$/,
    {
      name: "Decide",
      about:
        "A draft for each line with its reasons: step up, stay, step back, or stop and refer. It is accepted, or another is taken with a reason.",
      words: [
        TERMS.goodVisit,
        ["standing order", "A line may go on by itself inside bounds that a therapist set."],
      ],
    },
  ],
  [
    /\/review$/,
    {
      name: "Review",
      about:
        "An episode on one time line. Drag the two lines to read a span in numbers; put another span, leg or episode beside it.",
      words: [
        TERMS.symmetry,
        ["within the error", "The change is no more than two sessions differ by themselves."],
      ],
    },
  ],
  [
    /\/costs$/,
    {
      name: "Daily life",
      about:
        "What a chair, a stair, kneeling take of this leg, in percent of what it can do where they take most.",
      words: [
        [
          "all of it",
          "At 100 % the task takes everything this leg has; above it, hands or the other leg help.",
        ],
      ],
    },
  ],
  [
    /\/explain$/,
    {
      name: "Explain",
      about: "For the client's eyes. Keys 1 to 6 choose the question; the angle is dragged.",
      words: [TERMS.kneecap],
    },
  ],
  [
    /\/papers$/,
    {
      name: "Papers",
      about: "Sheets, set-ups, a letter, a summary and the record, as PDF under the clinic's head.",
      words: [],
    },
  ],
  [
    /\/record$/,
    {
      name: "Record of changes",
      about: "Who changed what, when, from what to what. Nothing here can be edited.",
      words: [],
    },
  ],
  [
    /^\/caseload/,
    {
      name: "Caseload",
      about: "Everybody in care; search, sort and filter stand in the address.",
      words: [],
    },
  ],
  [
    /^\/outbox/,
    { name: "Outbox", about: "Messages that a service would send; links are copied from here.", words: [] },
  ],
  [
    /^\/gym/,
    {
      name: "Gym",
      about:
        "The clinic's machines with their steps, notches and measured resistance. Loads come out as what can really be set.",
      words: [TERMS.leverRatio, TERMS.friction, TERMS.calibration],
    },
  ],
  [
    /^\/library/,
    {
      name: "Library",
      about:
        "Exercises with cues, mistakes, easier and harder forms; the clinic's copy lies over the catalogue.",
      words: [],
    },
  ],
  [
    /^\/files/,
    {
      name: "Files",
      about:
        "What comes in is a draft until a therapist confirms what it means; what goes out is kept in the record.",
      words: [["draft", "Looked through, not in force: nothing of it counts yet."]],
    },
  ],
  [/^\/clinic/, { name: "Clinic", about: "What stands on the clinic's paper.", words: [] }],
  [
    /^\/stances/,
    {
      name: "Stances",
      about: "The clinic's answers where schools differ; a client's own choice comes before them.",
      words: [],
    },
  ],
  [
    /^\/sources/,
    { name: "Sources", about: "What rules and numbers rest on, and which somebody has checked.", words: [] },
  ],
  [
    /^\/settings/,
    { name: "Settings", about: "How things are shown to you. Nothing that is stored changes.", words: [] },
  ],
];

/** The words of an address; null where there are none. */
export const pageWords = (path: string): PageWords | null =>
  PAGES.find(([pattern]) => pattern.test(path))?.[1] ?? null;
