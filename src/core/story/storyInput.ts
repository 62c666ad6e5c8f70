import { z } from "zod";
import { conditionById } from "../rules/conditions";
import { GOALS } from "../rules/goals";
import { UNCOVERED_IDS } from "../rules/uncovered";
import { bodyMassKg, heightM, numberField, painScore, side, swellingGrade, uuid } from "../units/fields";
import { CLIMBS, RISES } from "./daily";
import { BRINGS_ON, SETTLES_IN } from "./irritabilityFrom";
import { PAIN_REGION_IDS } from "./painMap";
import { PLACES, SUPPORTS } from "./places";

const text = (what: string, most: number) =>
  z
    .string({ error: `${what} is missing.` })
    .trim()
    .max(most, { error: `${what} is longer than ${most} characters.` });

const keys = <K extends string>(of: Record<K, string>) => Object.keys(of) as [K, ...K[]];

const storyCondition = z
  .object({
    conditionId: z.string(),
    variantId: z.string(),
    /** where this one began on another day than the episode; null: the episode's own */
    beganOn: z.iso.date({ error: "Enter the day as a date, or leave it empty." }).nullable(),
  })
  .superRefine((c, ctx) => {
    const condition = conditionById(c.conditionId);
    if (!condition)
      ctx.addIssue({ code: "custom", path: ["conditionId"], message: "Choose a condition of the list." });
    else if (!condition.variants.some((v) => v.id === c.variantId))
      ctx.addIssue({
        code: "custom",
        path: ["variantId"],
        message: `Choose which kind of ${condition.name}.`,
      });
  });

const goal = z
  .object({
    goalId: z.enum(GOALS.map((g) => g.id) as [string, ...string[]]).nullable(),
    words: text("The goal", 200),
    /** how hard it is now, 0 easy to 10 impossible */
    hard: painScore,
  })
  .refine((g) => g.goalId !== null || g.words.length >= 3, {
    path: ["words"],
    error: "Say the goal in a few words, or choose one of the list.",
  });
export type StoryGoal = z.infer<typeof goal>;

const episodeFields = {
  side,
  conditions: z.array(storyCondition).max(4, { error: "Four conditions are the most." }),
  uncovered: z.array(z.enum(UNCOVERED_IDS)).max(6),
  /** the diagnosis in the clinic's own words; empty: the names of the conditions */
  calledAs: text("The name of the problem", 160),
  beganWith: z.enum(["surgery", "onset"], { error: "Say whether it began with surgery or by itself." }),
  beganOn: z.iso.date({ error: "Enter the date of surgery or onset." }),
  details: text("The procedure", 1000),
  surgeonNote: text("The surgeon's note", 1000),
  painMarks: z.array(z.enum(PAIN_REGION_IDS)).max(15),
  painNow: painScore,
  painWorst: painScore,
  painBest: painScore,
  bringsOn: z.enum(keys(BRINGS_ON), { error: "Say how little brings the pain on." }),
  settlesIn: z.enum(keys(SETTLES_IN), { error: "Say how long the pain lasts." }),
  swellingApplies: z.boolean({ error: "Say whether this joint swells." }),
  firstSwelling: swellingGrade,
  goals: z
    .array(goal)
    .min(1, { error: "Choose at least one thing the leg must do again." })
    .max(6, { error: "Six goals are the most." }),
  /** rising from a usual chair, climbing stairs; null: not asked */
  rises: z.enum(keys(RISES)).nullable().default(null),
  climbs: z.enum(keys(CLIMBS)).nullable().default(null),
  /** half a year and more without training; null: not asked */
  isInactive: z.boolean().nullable().default(null),
  support: z.enum(keys(SUPPORTS), { error: "Choose wrap, brace or none." }),
  trainsAt: z.enum(keys(PLACES), { error: "Choose where they train." }),
  /** ISO weekdays, 1 is Monday */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7),
};

export const personInput = z.object({
  name: text("The name", 80).min(1, { error: "Enter a name or initials." }),
  occupation: text("The occupation", 80),
  birthYear: z
    .number({ error: "Enter the birth year, for example 1961." })
    .int({ error: "Enter the birth year, for example 1961." })
    .min(1900, { error: "The birth year must be between 1900 and this year." })
    .max(2100, { error: "The birth year must be between 1900 and this year." }),
  heightM,
  bodyMassKg,
  /** only if it was measured; otherwise it is estimated from height, and said so */
  shankLengthM: numberField("Shank length", "m", 0.2, 0.6, "Knee joint line to the outer ankle.").nullable(),
  normSex: z.enum(["female", "male"]).nullable(),
});
export type PersonInput = z.infer<typeof personInput>;

/** Said together with the other fields' sentences, as soon as the parts it looks at make sense by themselves. */
const scores = z.object({ painNow: painScore, painWorst: painScore, painBest: painScore });
const lists = z.object({ conditions: z.array(z.unknown()), uncovered: z.array(z.unknown()) });

export const episodeInput = z
  .object(episodeFields)
  .refine((e) => e.painBest <= e.painNow && e.painNow <= e.painWorst, {
    path: ["painWorst"],
    error: "Pain now must lie between the best and the worst of the last week.",
    when: (payload) => scores.safeParse(payload.value).success,
  })
  .refine((e) => e.conditions.length + e.uncovered.length > 0, {
    path: ["conditions"],
    error: "Choose a condition, or say which one the rules do not cover.",
    when: (payload) => lists.safeParse(payload.value).success,
  });
export type EpisodeInput = z.infer<typeof episodeInput>;

/** A new client with the first episode; ids are made where it is typed, so that sending twice makes one client. */
export const newClientInput = z.object({
  clientId: uuid,
  episodeId: uuid,
  person: personInput,
  episode: episodeInput,
});
export type NewClientInput = z.infer<typeof newClientInput>;

/** A change of the story; `version` is the one the person started from. */
export const storyChange = z.object({
  version: z.number().int().min(1),
  /** the person has read that a colleague changed it meanwhile, and wants theirs all the same */
  evenIfChanged: z.boolean(),
  person: personInput,
  episode: episodeInput,
});

export const newEpisodeInput = z.object({ episodeId: uuid, person: personInput, episode: episodeInput });

export const closeInput = z.object({
  version: z.number().int().min(1),
  because: text("The reason", 300).min(3, { error: "Say in a few words why it is closed." }),
});
