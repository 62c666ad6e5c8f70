import {
  afterHold,
  afterRest,
  anchoredModel,
  type FatigueModel,
  type FatigueState,
  FRESH,
  timeToFailureS,
} from "./fatigueModel";
import type { EnduranceJoint } from "./joints";

/** Holds in one or more sets. Seconds throughout; `setRestS` stands between sets in place of `restS`. */
export interface HoldPattern {
  holdS: number;
  reps: number;
  restS: number;
  sets: number;
  setRestS: number;
}

export interface HoldPrediction {
  /** felt effort at start and end of this hold, 0-10 */
  effortStart: number;
  effortEnd: number;
}

export interface SimulatedHolds {
  /** highest felt effort, 0-10: 10·(f + X) [own]; show rounded to half points */
  effort10: number;
  /** demand over what is left, 0-10 */
  brain10: number;
  /** largest share used of what stood open, X/(1−f) */
  peakShare: number;
  /** what is left at the end of the hardest hold, 0-1 */
  remaining: number;
  /** first hold that cannot be finished, 1-based, and the second it fails at */
  failBout: number | null;
  failSecondS: number | null;
  holds: HoldPrediction[];
  /** the state that the muscle is left in */
  end: FatigueState;
}

/** Felt effort and failure through a whole pattern of holds, from fresh unless `from` says otherwise. Dosing rules B4-B6. */
export function simulateHolds(
  joint: EnduranceJoint,
  shareOfMax: number,
  pattern: HoldPattern,
  options: { k?: number; slowShare?: number; model?: FatigueModel; from?: FatigueState } = {},
): SimulatedHolds {
  const model = options.model ?? anchoredModel(joint, shareOfMax, options.k ?? 1, options.slowShare);
  const holds: HoldPrediction[] = [];
  let state = options.from ?? FRESH;
  let worst = 0;
  const bouts = pattern.sets * pattern.reps;
  for (let bout = 1; bout <= bouts; bout++) {
    const effortStart = feltEffort(shareOfMax, state.fast + state.slow);
    const end = afterHold(model, state, shareOfMax, pattern.holdS);
    const x = end.fast + end.slow;
    if (x >= 1 - shareOfMax - 1e-12) {
      holds.push({ effortStart, effortEnd: 10 });
      return {
        effort10: 10,
        brain10: 10,
        peakShare: 1,
        remaining: shareOfMax,
        failBout: bout,
        failSecondS: timeToFailureS(model, shareOfMax, state),
        holds,
        end,
      };
    }
    holds.push({ effortStart, effortEnd: feltEffort(shareOfMax, x) });
    worst = Math.max(worst, x);
    const lastOfSet = bout % pattern.reps === 0;
    state = bout < bouts ? afterRest(model, end, lastOfSet ? pattern.setRestS : pattern.restS) : end;
  }
  return {
    effort10: feltEffort(shareOfMax, worst),
    brain10: (10 * shareOfMax) / (1 - worst),
    peakShare: worst / (1 - shareOfMax),
    remaining: 1 - worst,
    failBout: null,
    failSecondS: null,
    holds,
    end: state,
  };
}

const feltEffort = (shareOfMax: number, fatigued: number): number =>
  Math.min(10, 10 * (shareOfMax + fatigued));
