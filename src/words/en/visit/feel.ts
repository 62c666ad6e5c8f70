import type { FeelWhere } from "@/core/visit/watched/feel";

/** Keys of the floor. */
export const FEEL_CHIPS: Readonly<Record<FeelWhere, string>> = {
  meant: "muscle meant",
  other: "other muscle",
  joint: "joint",
  nowhere: "nowhere",
};

/** The same in a sentence. */
export const FELT_IN: Readonly<Record<FeelWhere, string>> = {
  meant: "in the muscle that is meant",
  other: "in another muscle",
  joint: "in the joint",
  nowhere: "nowhere",
};
