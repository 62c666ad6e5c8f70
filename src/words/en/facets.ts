import { citationState } from "@/core/rules/citations";
import type { HomeThing } from "@/core/rules/exerciseNeeds";

/** What exercises are found by, in the library. */
export const FACET_WORDS: Readonly<Record<string, string>> = {
  quads: "quadriceps",
  hamstrings: "hamstrings",
  glutes: "glutes",
  abductors: "hip abductors",
  adductors: "hip adductors",
  hip_flexors: "hip flexors",
  calves: "calves",
  trunk_extensors: "back extensors",
  trunk_flexors: "belly",
  machine: "a machine",
  step: "a step or box",
  strap: "a band or strap",
  weight: "a weight",
  furniture: "a chair, bench or rail",
  nothing: "floor, mat or wall only",
  back: "the back",
  balance: "balance",
  shoulders: "the shoulders",
};

/** Where the words of an exercise come from. */
export const EXERCISE_ORIGINS = { catalogue: "catalogue", changed_here: "changed here", own: "own" } as const;

/** What people may have at home. */
export const HOME_THING_WORDS: Readonly<Record<HomeThing, string>> = {
  chair: "chair",
  band: "band",
  backpack: "backpack",
  cuff: "ankle cuff",
  towel: "towel or pillow",
  step: "step",
};

/** What stands behind a source. */
export function citationWords(source: string, checked: readonly string[]): string {
  const { isChecked, open } = citationState(source, checked);
  if (isChecked) return "checked citation";
  return open.length > 0 ? `unverified citation: ${open.join("; ")}` : "unverified citation";
}
