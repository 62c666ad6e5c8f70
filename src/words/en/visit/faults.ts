import type { FaultId, Remedy } from "@/core/rules/faults/faults";

/** What is seen, as short as a key. */
export const FAULT_WORDS: Readonly<Record<FaultId, string>> = {
  knee_in: "knee falls in",
  knee_out: "knee past the foot",
  heel_lifts: "heel lifts",
  foot_rolls: "foot rolls",
  hips_shift: "hips shift",
  hips_lift: "hips lift off",
  back_rounds: "back rounds",
  back_arches: "back arches",
  trunk_twists: "trunk twists",
  jerk: "jerk or bounce",
  shakes: "shakes",
  cut_short: "cut short",
  locks_hard: "locks hard",
  breath_held: "breath held",
};

/** The word that is said first. */
export const FAULT_CUES: Readonly<Record<FaultId, string>> = {
  knee_in: "knee over the second toe",
  knee_out: "knee stays over the foot, not beyond it",
  heel_lifts: "whole foot stays down",
  foot_rolls: "weight on heel, big and little toe",
  hips_shift: "both sides carry alike",
  hips_lift: "hips stay on the pad",
  back_rounds: "chest long, move from the hip",
  back_arches: "ribs down, belly firm",
  trunk_twists: "both shoulders face ahead",
  jerk: "start as slowly as you stop",
  shakes: "ease off until it is steady",
  cut_short: "all of the way, each time",
  locks_hard: "stop just before straight",
  breath_held: "breathe out as you lift",
};

export const REMEDY_WORDS: Readonly<Record<Remedy, string>> = {
  cue: "a cue before each set",
  slower: "slower",
  less_arc: "less of the arc",
  lighter: "lighter",
  set_up: "set up in another way",
};
