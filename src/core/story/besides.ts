import { type Activity, isHardOn } from "../schedule/activity";
import type { Part } from "./part";

/**
 * What was done beside the exercises and was hard on the part that an episode is about: the morning after does not tell
 * what the exercises did. Rule Besides 3.
 */
export const confounding = (part: Part, done: readonly Activity[]): readonly Activity[] =>
  done.filter((a) => isHardOn(a, part === "back" ? "back" : "legs"));
