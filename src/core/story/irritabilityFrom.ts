import type { Irritability } from "../progression/painRule";

/** How little brings the pain on, and how long it then lasts. */
export const BRINGS_ON_IDS = ["much", "some", "little"] as const;
export const SETTLES_IN_IDS = ["minutes", "hours", "days"] as const;
export type BringsOn = (typeof BRINGS_ON_IDS)[number];
export type SettlesIn = (typeof SETTLES_IN_IDS)[number];

/** The worse of the two answers: little load or lasting pain makes a joint irritable [own]. */
export function irritabilityFrom(bringsOn: BringsOn, settlesIn: SettlesIn): Irritability {
  if (bringsOn === "little" || settlesIn === "days") return "high";
  return bringsOn === "some" || settlesIn === "hours" ? "moderate" : "low";
}
