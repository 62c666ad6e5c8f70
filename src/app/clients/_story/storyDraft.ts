import type { Climbs, Rises } from "@/core/story/daily";
import type { BringsOn, SettlesIn } from "@/core/story/irritabilityFrom";
import type { Side } from "@/core/units/fields";
import { kgFromLb, lbFromKg, type MassUnit, trimZeros } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";

export interface GoalDraft {
  goalId: string | null;
  words: string;
  hard: string;
}

/** The story as it stands in the form: numbers as typed. */
export interface StoryDraft {
  name: string;
  occupation: string;
  birthYear: string;
  heightM: string;
  bodyMass: string;
  normSex: "female" | "male" | "none";
  /** null: nobody has said yet; nothing clinical stands there by itself */
  side: Side | null;
  /** `beganOn` empty: on the episode's own day */
  conditions: { conditionId: string; variantId: string; beganOn: string }[];
  uncovered: string[];
  calledAs: string;
  beganWith: "surgery" | "onset" | null;
  beganOn: string;
  details: string;
  surgeonNote: string;
  painMarks: string[];
  painNow: string;
  painWorst: string;
  painBest: string;
  bringsOn: BringsOn | null;
  settlesIn: SettlesIn | null;
  swellingApplies: boolean | null;
  rises: Rises | null;
  climbs: Climbs | null;
  isInactive: boolean | null;
  firstSwelling: string;
  goals: GoalDraft[];
  support: string;
  trainsAt: string;
  weekdays: number[];
}

export const EMPTY_STORY: StoryDraft = {
  name: "",
  occupation: "",
  birthYear: "",
  heightM: "",
  bodyMass: "",
  normSex: "none",
  side: null,
  conditions: [],
  uncovered: [],
  calledAs: "",
  beganWith: null,
  beganOn: "",
  details: "",
  surgeonNote: "",
  painMarks: [],
  painNow: "",
  painWorst: "",
  painBest: "",
  bringsOn: null,
  settlesIn: null,
  swellingApplies: null,
  rises: null,
  climbs: null,
  isInactive: null,
  firstSwelling: "",
  goals: [{ goalId: null, words: "", hard: "" }],
  support: "",
  trainsAt: "clinic_gym",
  weekdays: [],
};

export const massText = (kg: number, unit: MassUnit): string =>
  trimZeros((unit === "kg" ? kg : lbFromKg(kg)).toFixed(1));

/** What is sent: numbers read, empty rows left out. The route says at which field something is wrong. */
export function storyFrom(d: StoryDraft, unit: MassUnit) {
  const mass = readNumber(d.bodyMass);
  return {
    person: {
      name: d.name,
      occupation: d.occupation,
      birthYear: readNumber(d.birthYear),
      heightM: metres(readNumber(d.heightM)),
      bodyMassKg: unit === "kg" ? mass : kgFromLb(mass),
      normSex: d.normSex === "none" ? null : d.normSex,
    },
    episode: {
      side: d.side,
      conditions: d.conditions
        .filter((c) => c.conditionId !== "")
        .map((c) => ({ ...c, beganOn: c.beganOn || null })),
      uncovered: d.uncovered,
      calledAs: d.calledAs,
      beganWith: d.beganWith,
      beganOn: d.beganOn,
      details: d.details,
      surgeonNote: d.surgeonNote,
      painMarks: d.painMarks,
      painNow: readNumber(d.painNow),
      painWorst: readNumber(d.painWorst),
      painBest: readNumber(d.painBest),
      bringsOn: d.bringsOn,
      settlesIn: d.settlesIn,
      swellingApplies: d.swellingApplies,
      // a joint that does not swell has nothing to grade
      firstSwelling: d.swellingApplies === false ? 0 : readNumber(d.firstSwelling),
      rises: d.rises,
      climbs: d.climbs,
      isInactive: d.isInactive,
      goals: d.goals
        .filter((g) => g.goalId !== null || g.words.trim() !== "")
        .map((g) => ({ ...g, hard: readNumber(g.hard) })),
      support: d.support,
      trainsAt: d.trainsAt,
      weekdays: d.weekdays,
    },
  };
}

/** 172 is meant as centimetres: nobody is 172 m tall. */
const metres = (typed: number): number => (typed > 100 && typed < 230 ? typed / 100 : typed);
