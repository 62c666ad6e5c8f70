import { z } from "zod";

/**
 * A number field with the sentence a therapist reads when it is wrong. NaN, Infinity, text and absence all give
 * the same "enter … as a number" sentence; out of range names the range and the likely slip.
 */
export function numberField(what: string, unit: string, min: number, max: number, slip = "") {
  const range = `${what} must be between ${min} and ${max} ${unit}.${slip ? ` ${slip}` : ""}`;
  return z
    .number({
      error: `Enter ${what.toLowerCase()} as a number in ${unit}.`,
    })
    .min(min, { error: range })
    .max(max, { error: range });
}

/** A number on a scale of ten, which has no unit. */
export function scoreField(what: string, min: number, max: number) {
  const range = `${what} must be between ${min} and ${max} out of 10.`;
  return z
    .number({ error: `Enter ${what.toLowerCase()} as a number from ${min} to ${max}.` })
    .min(min, { error: range })
    .max(max, { error: range });
}

/** Whole numbers such as repetitions. */
export function wholeField(what: string, min: number, max: number) {
  const sentence = `${what} must be a whole number from ${min} to ${max}.`;
  return z
    .number({ error: sentence })
    .int({ error: sentence })
    .min(min, { error: sentence })
    .max(max, { error: sentence });
}

export const side = z.enum(["left", "right"], { error: "Choose the left or the right side." });
export type Side = z.infer<typeof side>;

export const uuid = z.uuid({ error: "This record has no proper identifier; reload the page and try again." });

export const kneeFlexionDeg = numberField("Knee flexion", "degrees", 0, 130, "0° is straight.");
export const bodyMassKg = numberField("Body mass", "kg", 25, 250);
export const heightM = numberField("Height", "m", 1.2, 2.2, "Enter metres, for example 1.72.");
export const leverArmM = numberField(
  "Lever arm",
  "m",
  0.1,
  0.6,
  "Measure from the joint line to the pad in centimetres.",
);
export const pullAngleDeg = numberField(
  "Pull angle",
  "degrees",
  45,
  135,
  "90° is a pull at right angles to the shin.",
);
export const forceN = numberField("Force", "N", 1, 3000);
export const painScore = z
  .number({ error: "Choose joint pain from 0 to 10." })
  .int({ error: "Joint pain is a whole number from 0 to 10." })
  .min(0, { error: "Joint pain is a whole number from 0 to 10." })
  .max(10, { error: "Joint pain is a whole number from 0 to 10." });
/** 0 none, 1 trace, 2 = 1+, 3 = 2+, 4 = 3+ */
export const swellingGrade = z
  .number({ error: "Choose a swelling grade." })
  .int({ error: "Choose a swelling grade." })
  .min(0, { error: "Choose a swelling grade." })
  .max(4, { error: "Choose a swelling grade." });

export const SWELLING_WORDS = ["none", "trace", "1+", "2+", "3+"] as const;
