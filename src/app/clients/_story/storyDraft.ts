import { z } from "zod";
import { LOADED } from "@/core/schedule/activity";
import { BACKGROUND_IDS } from "@/core/story/daily";
import { MARKER_IDS } from "@/core/story/markers";
import { kgFromLb, lbFromKg, type MassUnit, trimZeros } from "@/core/units/mass";
import { PAIN_REGION_IDS } from "@/core/units/painRegion";
import { readNumber } from "@/core/units/readNumber";
import { BRINGS_ON, CLIMBS, RISES, SETTLES_IN } from "@/words/en/story";

const goalDraft = z.object({
  goalId: z.string().nullable(),
  words: z.string(),
  hard: z.string(),
  /** empty: for no day; kept drafts from before it was asked have none */
  on: z.string().default(""),
});
export const NO_GOAL: GoalDraft = { goalId: null, words: "", hard: "", on: "" };
export type GoalDraft = z.infer<typeof goalDraft>;

/** A regular activity as it is typed. */
const activityDraft = z.object({
  what: z.string(),
  weekdays: z.array(z.number()),
  minutes: z.string(),
  hard: z.string(),
  loads: z.array(z.enum(LOADED)),
});
export type ActivityDraft = z.infer<typeof activityDraft>;

const idOf = <K extends string>(names: Record<K, string>) => z.enum(Object.keys(names) as [K, ...K[]]);

/** The story as it stands in the form: numbers as typed. */
export const storyDraft = z.object({
  name: z.string(),
  occupation: z.string(),
  birthYear: z.string(),
  heightM: z.string(),
  bodyMass: z.string(),
  /** empty: not measured */
  shankCm: z.string(),
  normSex: z.enum(["female", "male", "none"]),
  /** null: nobody has said yet; nothing clinical stands there by itself */
  side: z.enum(["left", "right"]).nullable(),
  /** `beganOn` empty: on the episode's own day */
  conditions: z.array(z.object({ conditionId: z.string(), variantId: z.string(), beganOn: z.string() })),
  uncovered: z.array(z.string()),
  calledAs: z.string(),
  beganWith: z.enum(["surgery", "onset"]).nullable(),
  beganOn: z.string(),
  details: z.string(),
  surgeonNote: z.string(),
  painMarks: z.array(z.string()),
  painNow: z.string(),
  painWorst: z.string(),
  painBest: z.string(),
  bringsOn: idOf(BRINGS_ON).nullable(),
  settlesIn: idOf(SETTLES_IN).nullable(),
  swellingApplies: z.boolean().nullable(),
  rises: idOf(RISES).nullable(),
  climbs: idOf(CLIMBS).nullable(),
  isInactive: z.boolean().nullable(),
  background: z.enum(BACKGROUND_IDS).nullable().default(null),
  isAlone: z.boolean().nullable().default(null),
  firstSwelling: z.string(),
  regions: z.array(z.object({ region: z.enum(PAIN_REGION_IDS), usual: z.string(), most: z.string() })),
  markers: z.array(z.object({ kind: z.enum(MARKER_IDS), words: z.string() })),
  activities: z.array(activityDraft),
  goals: z.array(goalDraft),
  support: z.string(),
  trainsAt: z.string(),
  weekdays: z.array(z.number()),
});
export type StoryDraft = z.infer<typeof storyDraft>;

export const EMPTY_STORY: StoryDraft = {
  name: "",
  occupation: "",
  birthYear: "",
  heightM: "",
  bodyMass: "",
  shankCm: "",
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
  background: null,
  isAlone: null,
  firstSwelling: "",
  regions: [],
  markers: [],
  activities: [],
  goals: [NO_GOAL],
  support: "",
  trainsAt: "clinic_gym",
  weekdays: [],
};

export const massText = (kg: number, unit: MassUnit): string =>
  trimZeros((unit === "kg" ? kg : lbFromKg(kg)).toFixed(1));

export const lengthText = (m: number | null): string => (m === null ? "" : trimZeros((m * 100).toFixed(1)));

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
      shankLengthM: d.shankCm.trim() === "" ? null : readNumber(d.shankCm) / 100,
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
      background: d.background,
      isAlone: d.isAlone,
      regions: d.regions.map((r) => ({
        region: r.region,
        usual: readNumber(r.usual),
        most: r.most.trim() === "" ? null : readNumber(r.most),
      })),
      markers: d.markers,
      activities: d.activities
        .filter((a) => a.what.trim() !== "")
        .map((a) => ({ ...a, minutes: readNumber(a.minutes), hard: readNumber(a.hard) })),
      goals: d.goals
        .filter((g) => g.goalId !== null || g.words.trim() !== "")
        .map((g) => ({ ...g, hard: readNumber(g.hard), on: g.on || null })),
      support: d.support,
      trainsAt: d.trainsAt,
      weekdays: d.weekdays,
    },
  };
}

/** 172 is meant as centimetres: nobody is 172 m tall. */
const metres = (typed: number): number => (typed > 100 && typed < 230 ? typed / 100 : typed);
