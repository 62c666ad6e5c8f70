import { shareForFeltEffort } from "../../isometrics/effortConversion";
import type { EnduranceJoint } from "../../isometrics/joints";
import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import { STEP_LENGTH_M } from "./carry";
import type { Scheme } from "./scheme";
import {
  accumulatedShare,
  CLIMB_STARTS_AT,
  DROP_STARTS_AT,
  ONE_LEG_OF_TWO,
  twoUpOneDownLoad,
} from "./specialSets";

/** What a muscle lifts slowly, of what it holds (mechanics rules 6 [assumed]). */
export const LIFTS_OF_HELD = 0.85;
/** Repetitions that are left where a scheme does not ask. */
const USUAL_RESERVE = 2;
const LIGHT_RESERVE = 1;
const CARRY_RESERVE = 4;

export type HoldsScheme = Extract<Scheme, { kind: "holds" }>;

/** Repetitions of a set and how many are planned to be left after it; null for holds, stretches and sets to the end. */
export function repetitionTarget(s: Scheme): { reps: number; reserve: number } | null {
  switch (s.kind) {
    case "straight":
    case "ramp":
    case "two_up_one_down":
      return { reps: s.reps, reserve: s.reserve };
    case "light":
      return { reps: s.reps, reserve: LIGHT_RESERVE };
    case "lowering":
    case "partials":
    case "pulses":
      return { reps: s.reps, reserve: USUAL_RESERVE };
    case "carry":
      return { reps: Math.ceil(s.distanceM / STEP_LENGTH_M / 2), reserve: CARRY_RESERVE };
    case "holds":
    case "climb":
    case "accumulated":
    case "drop":
    case "stretch":
      return null;
  }
}

/** Share of the one-repetition maximum at which a scheme starts; null for holds and stretches. */
export function repetitionShare(s: Scheme): number | null {
  const target = repetitionTarget(s);
  if (target) return 1 / kFactorUnbounded(target.reps + target.reserve);
  switch (s.kind) {
    case "accumulated":
      return accumulatedShare(s.reserve, s.restS, s.total);
    case "drop":
      return DROP_STARTS_AT;
    case "climb":
      return CLIMB_STARTS_AT;
    default:
      return null;
  }
}

/** Share of maximum that a hold asks for at its angle: what was entered, or what ends the last hold at the felt effort. */
export const holdShare = (s: HoldsScheme, joint: EnduranceJoint, k: number): number =>
  s.effort.kind === "percent" ? s.effort.percent / 100 : shareForFeltEffort(joint, s, s.effort.felt, k);

/** Load of two up, one down in one-leg maxima. Dosing rules D13. */
export const loweredByOneLeg = (reps: number, reserve: number) =>
  twoUpOneDownLoad(1 / ONE_LEG_OF_TWO, reps, reserve);

/**
 * Share of what the knee can hold at its hardest angle that a scheme asks for: what its load is set to before two light
 * sets have found the real one. Null where no load is set. Estimated: the person may differ by a fifth and more.
 */
export function schemeShare(s: Scheme, joint: EnduranceJoint = "knee", k = 1): number | null {
  if (s.kind === "holds") return holdShare(s, joint, k);
  if (s.kind === "carry") return null;
  if (s.kind === "two_up_one_down")
    return LIFTS_OF_HELD * loweredByOneLeg(s.reps, s.reserve).overloadVsSingle;
  const share = repetitionShare(s);
  return share === null ? null : LIFTS_OF_HELD * share;
}
