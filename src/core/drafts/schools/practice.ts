import type { FootSchool } from "../../rules/faults/faults";
import { SORE_UP_TO } from "../../schedule/soreness";

/** What schools change beside limits, drafts and their order. Rule K22. */
export interface Practice {
  /** soreness up to here is what work does; above it a set less is next. Rule Sore 2 */
  soreUpTo: number;
  /** where the foot presses: what is looked for of it. Rule Seen 1 */
  foot: FootSchool;
  /** nothing is worn for the story's sake; what was ordered stays. Rule Aid 1 */
  isBare: boolean;
}

type Answers = Readonly<Record<string, string>>;

const SORE: Readonly<Record<string, number>> = {
  view_1: SORE_UP_TO.sign_of_work,
  view_2: SORE_UP_TO.too_much,
};
const FOOT: Readonly<Record<string, FootSchool>> = { view_1: "heels", view_2: "whole" };

/** The practice under the answers that are in force, each by the id of its question. */
export const practiceOf = (answers: Answers): Practice => ({
  soreUpTo: SORE[answers.d_soreness ?? ""] ?? SORE_UP_TO.usual,
  foot: FOOT[answers.d_heel_whole_foot ?? ""] ?? "usual",
  isBare: answers.d_wraps_braces === "view_3",
});
