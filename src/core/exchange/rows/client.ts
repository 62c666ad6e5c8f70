import { z } from "zod";
import { conditionById } from "../../rules/conditions";
import { isKnownAnswer } from "../../rules/stances";
import { UNCOVERED_IDS } from "../../rules/uncovered";
import { MOST_ACTIVITIES, regularActivity } from "../../schedule/activity";
import { ANSWERS } from "../../screening/screening";
import { BACKGROUND_IDS, CLIMB_IDS, RISE_IDS } from "../../story/daily";
import { BRINGS_ON_IDS, SETTLES_IN_IDS } from "../../story/irritabilityFrom";
import { markers } from "../../story/markers";
import { PLACE_IDS, SUPPORT_IDS } from "../../story/places";
import { followedRegions } from "../../story/regions";
import { bodyMassKg, heightM, swellingGrade } from "../../units/fields";
import { LANGUAGES } from "../../units/language";
import { PAIN_REGION_IDS } from "../../units/painRegion";
import { day, id, maybeId, moment, number, pain, side, table, text, texts, whole } from "./fields";

export const client = table(
  "client",
  z.strictObject({
    id,
    name: text(80).min(1),
    occupation: text(80),
    birth_year: whole(1900, 2100),
    height_m: heightM,
    body_mass_kg: bodyMassKg,
    // files from before it was measured have none
    body_mass_at: moment.nullable().default(null),
    shank_length_m: number(0.2, 0.7).nullable(),
    norm_sex: z.enum(["female", "male"]).nullable(),
    /** of the client's own pages and papers; files of before it was asked have none */
    language: z.enum(LANGUAGES).default("en"),
  }),
  {},
);

export const episode = table(
  "episode",
  z.strictObject({
    id,
    client_id: id,
    side,
    condition: text(200),
    began_on: day,
    began_with: z.enum(["surgery", "onset"]),
    pain_school: z.enum(["pain_free", "monitoring", "post_op"]),
    irritability: z.enum(["low", "moderate", "high"]),
    usual_pain: number(0, 10),
    swelling_applies: z.boolean(),
    first_swelling: swellingGrade,
    goal: text(400),
    closed_on: day.nullable(),
    pain_now: pain.nullable(),
    pain_worst: pain.nullable(),
    pain_best: pain.nullable(),
    pain_marks: z.array(z.enum(PAIN_REGION_IDS)).max(15),
    brings_on: z.enum(BRINGS_ON_IDS).nullable(),
    settles_in: z.enum(SETTLES_IN_IDS).nullable(),
    details: text(1000),
    surgeon_note: text(1000),
    goals: z
      .array(z.strictObject({ goalId: text(40).nullable(), words: text(200), hard: pain, on: day.nullish() }))
      .max(6),
    support: z.enum(SUPPORT_IDS),
    trains_at: z.enum(PLACE_IDS),
    weekdays: z.array(whole(1, 7)).max(7),
    uncovered: z.array(z.enum(UNCOVERED_IDS)).max(6),
    closed_because: text(300).nullable(),
    version: whole(1, 1_000_000),
    rises: z.enum(RISE_IDS).nullable(),
    climbs: z.enum(CLIMB_IDS).nullable(),
    is_inactive: z.boolean().nullable(),
    // files from before it was asked have none
    background: z.enum(BACKGROUND_IDS).nullable().default(null),
    is_alone: z.boolean().nullable().default(null),
    /** files of before it was asked have none */
    regions: followedRegions.default([]),
    markers: markers.default([]),
    activities: z.array(regularActivity).max(MOST_ACTIVITIES).default([]),
    story_at: moment,
  }),
  { client_id: "client" },
);

export const condition = table(
  "episode_condition",
  z
    .strictObject({
      id,
      episode_id: id,
      condition_id: text(60),
      variant_id: text(60),
      phase_id: text(60),
      began_on: day,
      set_by: id,
      set_at: moment,
      phase_since: day,
      functional_met: texts(40),
      ended_on: day.nullable(),
      version: whole(1, 1_000_000),
      confirmed_at: moment.nullable(),
    })
    .refine(
      (c) => {
        const known = conditionById(c.condition_id);
        return (
          known?.phases.some((p) => p.id === c.phase_id) && known.variants.some((v) => v.id === c.variant_id)
        );
      },
      { path: ["condition_id"], error: "input.no_such_phase" },
    ),
  { episode_id: "episode", set_by: "person" },
);

const isStance = (s: { stance_id: string; option_id: string | null }): boolean =>
  isKnownAnswer(s.stance_id, s.option_id);
const STANCE = { path: ["stance_id"], error: "input.no_such_stance" };

export const stanceChoice = table(
  "stance_choice",
  z
    .strictObject({
      id,
      episode_id: maybeId,
      stance_id: text(80),
      option_id: text(80).nullable(),
      reason: text(400),
      replaces: maybeId,
      set_by: id,
      set_at: moment,
    })
    .refine(isStance, STANCE),
  { episode_id: "episode", replaces: "stance_choice", set_by: "person" },
);

export const stanceView = table(
  "stance_view",
  z
    .strictObject({
      id,
      episode_id: id,
      stance_id: text(80),
      option_id: text(80),
      reason: text(400),
      said_by: id,
      said_at: moment,
    })
    .refine(isStance, STANCE),
  { episode_id: "episode", said_by: "person" },
);

export const screening = table(
  "screening",
  z.strictObject({
    id,
    episode_id: id,
    systolic_mmhg: whole(50, 300).nullable(),
    diastolic_mmhg: whole(20, 200).nullable(),
    answered_by: id,
    answered_at: moment,
    pressure_not_taken: text(300).nullable(),
  }),
  { episode_id: "episode", answered_by: "person" },
);

export const screeningAnswer = table(
  "screening_answer",
  z.strictObject({
    screening_id: id,
    question_id: text(80),
    answer: z.enum(ANSWERS),
    escalations: texts(20, 80),
    asked_as: z.enum(["one", "group"]),
  }),
  { screening_id: "screening" },
  "screening_id",
);

export const screeningClearance = table(
  "screening_clearance",
  z.strictObject({
    id,
    screening_id: id,
    question_id: text(80),
    on_word_of: text(40),
    words: text(500),
    cleared_by: id,
    cleared_at: moment,
  }),
  { screening_id: "screening", cleared_by: "person" },
);
