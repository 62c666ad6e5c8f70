import type { Irritability } from "../progression/painRule";

/** How little brings the pain on, and how long it then lasts. */
export const BRINGS_ON = { much: "only a lot", some: "a usual day's work", little: "very little" } as const;
export const SETTLES_IN = {
  minutes: "within minutes",
  hours: "by the evening",
  days: "not before the next day",
} as const;
export type BringsOn = keyof typeof BRINGS_ON;
export type SettlesIn = keyof typeof SETTLES_IN;

/** The worse of the two answers: little load or lasting pain makes a joint irritable [own]. */
export function irritabilityFrom(bringsOn: BringsOn, settlesIn: SettlesIn): Irritability {
  if (bringsOn === "little" || settlesIn === "days") return "high";
  return bringsOn === "some" || settlesIn === "hours" ? "moderate" : "low";
}
