import { z } from "zod";
import { wrong } from "./wrong";

/** What people enter; its words are in `words/en/fields`. */
export type FieldName =
  | "knee_flexion"
  | "accumulated_total"
  | "arc_from"
  | "arc_to"
  | "steps"
  | "body_mass"
  | "height"
  | "lever_arm"
  | "pull_angle"
  | "force"
  | "angle_read"
  | "load_read"
  | "force_read"
  | "cell_lever"
  | "standing_rest"
  | "carried_load"
  | "distance"
  | "plate"
  | "percent"
  | "seat_height"
  | "drop"
  | "drops"
  | "felt_effort"
  | "percent_of_maximum"
  | "hold"
  | "holds"
  | "fewest_reps"
  | "most_reps"
  | "closing_hold"
  | "partials"
  | "pulses"
  | "stretch"
  | "one_hold"
  | "bed_days"
  | "marker_dose"
  | "activity"
  | "activity_hard"
  | "activity_minutes"
  | "rest"
  | "sets"
  | "reps"
  | "reserve"
  | "lifting"
  | "top_hold"
  | "lowering"
  | "bottom"
  | "load"
  | "shank_length"
  | "total_held"
  | "time"
  | "goal"
  | "problem_name"
  | "procedure"
  | "surgeon_note"
  | "name"
  | "occupation"
  | "reason"
  | "addressee"
  | "question"
  | "address"
  | "contact"
  | "needs"
  | "set_up_checks"
  | "cues"
  | "stop_signs"
  | "mistakes"
  | "days_a_week"
  | "keep_days"
  | "upper_reading"
  | "lower_reading";
export type FieldUnit = "deg" | "kg" | "m" | "N" | "s" | "min" | "pct";

/**
 * A number field with what a therapist reads when it is wrong. NaN, Infinity, text and absence all give the same
 * "enter … as a number"; out of range names the range and the likely slip.
 */
export function numberField(field: FieldName, unit: FieldUnit, least: number, most: number) {
  const range = wrong("input.range", { field, unit, least, most });
  return z
    .number({ error: wrong("input.number", { field, unit }) })
    .min(least, { error: range })
    .max(most, { error: range });
}

/** A number on a scale of ten, which has no unit. */
export function scoreField(field: FieldName, least: number, most: number) {
  const range = wrong("input.score_range", { field, least, most });
  return z
    .number({ error: wrong("input.score", { field, least, most }) })
    .min(least, { error: range })
    .max(most, { error: range });
}

/** Whole numbers such as repetitions. */
export function wholeField(field: FieldName, least: number, most: number) {
  const error = wrong("input.whole", { field, least, most });
  return z.number({ error }).int({ error }).min(least, { error }).max(most, { error });
}

/** Words of a person's own, which may be none. */
export const textField = (field: FieldName, most: number) =>
  z
    .string({ error: wrong("input.text_missing", { field }) })
    .trim()
    .max(most, { error: wrong("input.text_too_long", { field, most }) });

export const side = z.enum(["left", "right"], { error: "input.choose_side" });
export type Side = z.infer<typeof side>;

export const uuid = z.uuid({ error: "input.no_id" });

export const kneeFlexionDeg = numberField("knee_flexion", "deg", 0, 130);
export const bodyMassKg = numberField("body_mass", "kg", 25, 250);
export const heightM = numberField("height", "m", 1.2, 2.2);
export const leverArmM = numberField("lever_arm", "m", 0.1, 0.6);
export const pullAngleDeg = numberField("pull_angle", "deg", 45, 135);
export const forceN = numberField("force", "N", 1, 3000);
export const painScore = z
  .number({ error: "input.choose_pain" })
  .int({ error: "input.pain_whole" })
  .min(0, { error: "input.pain_whole" })
  .max(10, { error: "input.pain_whole" });
/** 0 none, 1 trace, 2 = 1+, 3 = 2+, 4 = 3+ */
export const swellingGrade = z
  .number({ error: "input.choose_swelling" })
  .int({ error: "input.choose_swelling" })
  .min(0, { error: "input.choose_swelling" })
  .max(4, { error: "input.choose_swelling" });

export const SWELLING_WORDS = ["none", "trace", "1+", "2+", "3+"] as const;
