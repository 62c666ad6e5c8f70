import type { Stage } from "@/core/rules/conditions";
import type { Muscle } from "@/core/schedule/balance";

export const MUSCLE_WORDS: Record<Muscle, string> = {
  quads: "front of the thigh",
  hams: "back of the thigh",
  glutes: "buttock",
  adductors: "inner thigh",
  abductors: "outer hip",
  calves: "calf",
  trunk: "trunk",
};

/** For which muscles something is done. */
export const soreWords = (muscles: readonly Muscle[]): string =>
  muscles.length === Object.keys(MUSCLE_WORDS).length
    ? "of each line"
    : `for ${muscles.map((m) => MUSCLE_WORDS[m]).join(", ")}`;

/** What a phase is for, as it stands in a sentence. */
export const STAGE_WORDS: Record<Stage, string> = {
  protect: "protecting",
  wake: "waking the muscle",
  learn: "learning",
  build: "building",
  strong: "getting strong",
  keep: "keeping",
};
