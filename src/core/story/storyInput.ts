import { z } from "zod";
import { conditionById } from "../rules/conditions";
import { GOALS } from "../rules/goals";
import { UNCOVERED_IDS } from "../rules/uncovered";
import { MOST_ACTIVITIES, regularActivity } from "../schedule/activity";
import {
  bodyMassKg,
  heightM,
  numberField,
  painScore,
  side,
  swellingGrade,
  textField,
  uuid,
} from "../units/fields";
import { PAIN_REGION_IDS } from "../units/painRegion";
import { wrong } from "../units/wrong";
import { BACKGROUND_IDS, CLIMB_IDS, RISE_IDS } from "./daily";
import { BRINGS_ON_IDS, SETTLES_IN_IDS } from "./irritabilityFrom";
import { markers } from "./markers";
import { PLACE_IDS, SUPPORT_IDS } from "./places";
import { followedRegions } from "./regions";

const storyCondition = z
  .object({
    conditionId: z.string(),
    variantId: z.string(),
    /** where this one began on another day than the episode; null: the episode's own */
    beganOn: z.iso.date({ error: "input.day_or_empty" }).nullable(),
  })
  .superRefine((c, ctx) => {
    const condition = conditionById(c.conditionId);
    if (!condition)
      ctx.addIssue({ code: "custom", path: ["conditionId"], message: "input.choose_condition" });
    else if (!condition.variants.some((v) => v.id === c.variantId))
      ctx.addIssue({
        code: "custom",
        path: ["variantId"],
        message: wrong("input.kind_of", { condition: condition.name }),
      });
  });

const goal = z
  .object({
    goalId: z.enum(GOALS.map((g) => g.id) as [string, ...string[]]).nullable(),
    words: textField("goal", 200),
    /** how hard it is now, 0 easy to 10 impossible */
    hard: painScore,
    /** the day for which it is wanted */
    on: z.iso.date({ error: "input.day_or_empty" }).nullish(),
  })
  .refine((g) => g.goalId !== null || g.words.length >= 3, {
    path: ["words"],
    error: "input.goal_words",
  });
export type StoryGoal = z.infer<typeof goal>;

const episodeFields = {
  side,
  conditions: z.array(storyCondition).max(4, { error: "input.many_conditions" }),
  uncovered: z.array(z.enum(UNCOVERED_IDS)).max(6),
  /** the diagnosis in the clinic's own words; empty: the names of the conditions */
  calledAs: textField("problem_name", 160),
  beganWith: z.enum(["surgery", "onset"], { error: "input.began_with" }),
  beganOn: z.iso.date({ error: "input.began_on" }),
  details: textField("procedure", 1000),
  surgeonNote: textField("surgeon_note", 1000),
  painMarks: z.array(z.enum(PAIN_REGION_IDS)).max(15),
  painNow: painScore,
  painWorst: painScore,
  painBest: painScore,
  bringsOn: z.enum(BRINGS_ON_IDS, { error: "input.brings_on" }),
  settlesIn: z.enum(SETTLES_IN_IDS, { error: "input.settles_in" }),
  swellingApplies: z.boolean({ error: "input.swells" }),
  firstSwelling: swellingGrade,
  goals: z.array(goal).min(1, { error: "input.choose_goal" }).max(6, { error: "input.many_goals" }),
  /** rising from a usual chair, climbing stairs; null: not asked */
  rises: z.enum(RISE_IDS).nullable().default(null),
  climbs: z.enum(CLIMB_IDS).nullable().default(null),
  /** half a year and more without training; null: not asked */
  isInactive: z.boolean().nullable().default(null),
  background: z.enum(BACKGROUND_IDS).nullable().default(null),
  /** nobody is near at work; null: not asked. Rule Alone */
  isAlone: z.boolean().nullable().default(null),
  /** what is followed beside the joint. Rule Region 1 */
  regions: followedRegions.default([]),
  /** movements that bring it on. Rule Marker 1 */
  markers: markers.default([]),
  /** what is done every week beside the exercises. Rule Besides 1 */
  activities: z.array(regularActivity).max(MOST_ACTIVITIES, { error: "input.many_activities" }).default([]),
  support: z.enum(SUPPORT_IDS, { error: "input.choose_support" }),
  trainsAt: z.enum(PLACE_IDS, { error: "input.choose_place" }),
  /** ISO weekdays, 1 is Monday */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7),
};

export const personInput = z.object({
  name: textField("name", 80).min(1, { error: "input.client_name" }),
  occupation: textField("occupation", 80),
  birthYear: z
    .number({ error: "input.birth_year" })
    .int({ error: "input.birth_year" })
    .min(1900, { error: "input.birth_year_range" })
    .max(2100, { error: "input.birth_year_range" }),
  heightM,
  bodyMassKg,
  /** only if it was measured; otherwise it is estimated from height, and said so */
  shankLengthM: numberField("shank_length", "m", 0.2, 0.6).nullable(),
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
    error: "input.pain_between",
    when: (payload) => scores.safeParse(payload.value).success,
  })
  .refine((e) => e.conditions.length + e.uncovered.length > 0, {
    path: ["conditions"],
    error: "input.condition_or_uncovered",
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
  because: textField("reason", 300).min(3, { error: "input.close_why" }),
});
