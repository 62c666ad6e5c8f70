import type { Exercise } from "../../rules/exercises";
import { liftOf } from "../../selection/setUp/loadContext";
import type { RepetitionTest } from "../../selection/setUp/repetitionTest";
import { estimate1RM } from "../../strength/repetitionMaximum";
import { repetitionShare, repetitionTarget, type Scheme } from "../schemes/scheme";
import { workingLoad } from "./workingLoad";

/** Doubt of a test where its formulas say none, as a share of it [own]. */
export const TEST_ERROR = 0.1;

/** What a repetition test stands for. */
export interface TestedMax {
  kg: number;
  error: number;
  takenOn: string;
  /** what the scheme wants of it */
  wantedKg: number;
  wantedShare: number;
}

/** The maximum that a repetition test on a machine stands for, and what a scheme wants of it; null without either. Dosing rules D2. */
export function testedMax(
  e: Exercise,
  s: Scheme,
  machineName: string,
  twoLegs: boolean,
  tests: readonly RepetitionTest[],
): TestedMax | null {
  const share = repetitionShare(s);
  if (share === null || s.kind === "carry" || s.kind === "two_up_one_down") return null;
  const test = tests.find((t) => t.machineName === machineName && t.twoLegs === twoLegs);
  if (!test) return null;
  const lift = liftOf(e);
  const max = estimate1RM(test.loadKg, test.reps, test.reserve, lift);
  if (max.value === null) return null;
  const target = repetitionTarget(s);
  return {
    kg: max.value,
    error: max.error ?? TEST_ERROR,
    takenOn: test.takenOn,
    wantedKg: target ? workingLoad(max.value, target.reps, target.reserve, lift) : max.value * share,
    wantedShare: share,
  };
}
