import { z } from "zod";
import { LIFTS_OF_HELD } from "../../strength/liftsOfHeld";
import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import { numberField, wholeField } from "../../units/fields";
import type { PlannedSet, ProgressStep, RepetitionTarget, Stepped } from "./contract";
import { repetitionS, repetitionTensionS, type Tempo } from "./repetitionSeconds";

/** Parts that several schemes are made of. */

/** Angles are planned in steps in which the model is solved. */
export const ANGLE_STEP_DEG = 5;
export const plannedDeg = z
  .number({ error: "input.choose_knee_angle" })
  .min(0, { error: "input.knee_angle_range" })
  .max(130, { error: "input.knee_angle_range" })
  .multipleOf(ANGLE_STEP_DEG, { error: "input.knee_angle_step" });
export const end = z.enum(["stretched", "short"], { error: "input.choose_end" });
export const restS = numberField("rest", "s", 0, 600);
export const sets = wholeField("sets", 1, 10);
export const reserve = wholeField("reserve", 0, 8);
export const tempo = z.object({
  /** 0: helped up */
  liftS: numberField("lifting", "s", 0, 10),
  topS: numberField("top_hold", "s", 0, 10),
  lowerS: numberField("lowering", "s", 0.5, 15),
  bottomS: numberField("bottom", "s", 0, 5),
});

export const USUAL: Tempo = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
/** Repetitions that are left where a scheme does not ask. */
export const USUAL_RESERVE = 2;

export const repeat = (count: number, set: PlannedSet): PlannedSet[] =>
  Array.from({ length: count }, () => ({ ...set }));

export const moved = (reps: number, t: Tempo, rest: number, left: number | null): PlannedSet => ({
  role: "work",
  workS: reps * repetitionS(t),
  tensionS: reps * repetitionTensionS(t),
  restS: rest,
  reps,
  holds: null,
  loadShare: 1,
  reserve: left,
});

export const held = (reps: number, holdS: number, rest: number): Omit<PlannedSet, "restS"> => ({
  role: "work",
  workS: reps * holdS + (reps - 1) * rest,
  tensionS: reps * holdS,
  reps: null,
  holds: { reps, holdS, restS: rest },
  loadShare: 1,
  reserve: null,
});

export const longer = (set: PlannedSet, seconds: number): PlannedSet => ({
  ...set,
  workS: set.workS + seconds,
  tensionS: set.tensionS + seconds,
});

/** A line gets no more sets than this: then another line is wanted, not a longer one [own]. */
export const MOST_WORK_SETS = 4;

/** Below this share of the maximum nothing makes stronger, however much is done; null: it is done as it is planned. Rule D1. */
export const LEAST_EFFECTIVE_SHARE = 0.3;
export const asksEnough = (share: number | null): boolean =>
  share === null || share >= LEAST_EFFECTIVE_SHARE - 1e-9;

/** Share of the one-repetition maximum that so many repetitions with so many left take. Dosing rules D1. */
export const shareOfTarget = (t: RepetitionTarget): number => 1 / kFactorUnbounded(t.reps + t.reserve);

/** Shares of a scheme of sets of repetitions: what it lifts, and what that is of what it can hold. */
export const lifts = <P>(target: (p: P) => RepetitionTarget) => ({
  target,
  liftedShare: (p: P) => shareOfTarget(target(p)),
  heldShare: (p: P) => LIFTS_OF_HELD * shareOfTarget(target(p)),
});

/** Shares of a scheme that has a start of its own. */
export const startsAt = <P>(share: (p: P) => number) => ({
  target: () => null,
  liftedShare: share,
  heldShare: (p: P) => LIFTS_OF_HELD * share(p),
});

/** Nothing is lifted that a share could be said of. */
export const noLoad = { target: () => null, liftedShare: () => null, heldShare: () => null };

/** More repetitions up to the top of the range, then the next real load and the bottom of the range again. Dosing rules E3. */
export const byRepetitions =
  (highest: number) =>
  <P extends { reps: number }>(p: P, step: ProgressStep): Stepped<P> => {
    if (step.to !== "more") return "load";
    const reps = Math.min(highest, step.reps.most, p.reps + step.moreReps);
    return reps > p.reps ? { ...p, reps } : p;
  };

/** Sets that count for themselves change their load only. */
export const byLoad = <P>(p: P, step: ProgressStep): Stepped<P> => (step.to === "more" ? p : "load");
