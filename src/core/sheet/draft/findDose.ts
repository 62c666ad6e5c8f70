import { MOST_SHARE_PER_HOLD, plannedEnduranceS } from "../../isometrics/enduranceTime";
import { anchoredModel } from "../../isometrics/fatigueModel";
import type { EnduranceJoint } from "../../isometrics/joints";
import { type HoldPattern, simulateHolds } from "../../isometrics/simulateHolds";
import { exerciseSeconds, timeUnderTensionS } from "../time/holdSeconds";

const HOLD_S = [5, 10, 15, 20, 30, 40, 45, 60];
const REPS = [1, 2, 3, 4, 5, 6, 8, 10, 12];
const SETS = [1, 2, 3, 4, 5];
const REST_S = [5, 10, 15, 20, 30, 45, 60, 90, 120];
const SET_REST_S = [60, 90, 120, 180];

export interface FindDoseInput {
  joint: EnduranceJoint;
  /** shares of maximum to try */
  sharesOfMax: readonly number[];
  /** wanted time under tension per side, s … */
  targetTensionS?: number;
  /** … or wanted impulse, N·m·s, with the maximum torque at this angle */
  targetImpulseNms?: number;
  maxTorqueNm?: number;
  /** felt effort never above this, 0-10 */
  effortCap?: number;
  minutes?: number;
  k?: number;
  /** a written limit on the length of a hold, s */
  mostHoldS?: number;
}

export interface DoseCandidate extends HoldPattern {
  shareOfMax: number;
  effort10: number;
  seconds: number;
  tensionS: number;
}

export type BindingConstraint = "effort" | "time" | "endurance_share" | "hold_limit";

export type FoundDose =
  | { status: "ok"; doseScale: number; dose: DoseCandidate; binding: BindingConstraint | null }
  | { status: "infeasible"; binding: BindingConstraint; nearest: DoseCandidate | null };

/**
 * Best hold x repetitions x rest for a wanted total under an effort cap and the minutes there are. If nothing fits,
 * the total is lowered by tenths down to 20 %; the effort cap is never raised. Dosing rules C [own weights].
 */
export function findDose(input: FindDoseInput): FoundDose {
  let binding: BindingConstraint | null = null;
  let nearest: DoseCandidate | null = null;
  for (let tenths = 10; tenths >= 2; tenths--) {
    const result = searchOnce(input, tenths / 10);
    if (result.best) return { status: "ok", doseScale: tenths / 10, dose: result.best, binding };
    binding ??= result.binding;
    nearest ??= result.nearest;
  }
  return { status: "infeasible", binding: binding ?? "effort", nearest };
}

function searchOnce(input: FindDoseInput, scale: number) {
  const cap = input.effortCap ?? 8;
  const limitS = (input.minutes ?? 10) * 60;
  let best: DoseCandidate | null = null;
  let bestCost = Number.POSITIVE_INFINITY;
  let nearest: DoseCandidate | null = null;
  let nearestExcess = Number.POSITIVE_INFINITY;
  const broken: Record<BindingConstraint, number> = {
    effort: 0,
    time: 0,
    endurance_share: 0,
    hold_limit: 0,
  };

  for (const shareOfMax of input.sharesOfMax) {
    const wantedS = wantedTension(input, shareOfMax) * scale;
    const model = anchoredModel(input.joint, shareOfMax, input.k ?? 1);
    const longestHoldS = MOST_SHARE_PER_HOLD * plannedEnduranceS(input.joint, shareOfMax, input.k ?? 1);
    for (const pattern of patternsFor(wantedS)) {
      const seconds = exerciseSeconds(pattern);
      if (pattern.holdS > (input.mostHoldS ?? Number.POSITIVE_INFINITY)) {
        broken.hold_limit++;
        continue;
      }
      if (pattern.holdS > longestHoldS) {
        broken.endurance_share++;
        continue;
      }
      if (seconds > limitS) {
        broken.time++;
        continue;
      }
      const run = simulateHolds(input.joint, shareOfMax, pattern, { model });
      const tensionS = timeUnderTensionS(pattern);
      const candidate = { ...pattern, shareOfMax, effort10: run.effort10, seconds, tensionS };
      if (run.failBout !== null || run.effort10 > cap) {
        broken.effort++;
        const excess = run.effort10 - cap;
        if (run.failBout === null && excess < nearestExcess) {
          nearest = candidate;
          nearestExcess = excess;
        }
        continue;
      }
      const bouts = pattern.sets * pattern.reps;
      const cost =
        (3 * (Math.abs(tensionS - wantedS) / wantedS)) / 0.1 +
        seconds / limitS +
        Math.max(0, cap - 1 - run.effort10) / 3 +
        (0.5 * bouts) / 20;
      if (
        cost < bestCost - 1e-12 ||
        (Math.abs(cost - bestCost) <= 1e-12 && best && isPreferred(candidate, best))
      ) {
        best = candidate;
        bestCost = cost;
      }
    }
  }
  const binding = (Object.entries(broken) as [BindingConstraint, number][]).reduce((a, b) =>
    b[1] > a[1] ? b : a,
  )[0];
  return { best, nearest, binding };
}

function wantedTension(input: FindDoseInput, shareOfMax: number): number {
  if (input.targetTensionS !== undefined) return input.targetTensionS;
  return (input.targetImpulseNms ?? 0) / (shareOfMax * (input.maxTorqueNm ?? Number.NaN));
}

/** Equal cost: fewer holds, then longer rest. */
function isPreferred(a: HoldPattern, b: HoldPattern): boolean {
  const bouts = a.sets * a.reps - b.sets * b.reps;
  return bouts < 0 || (bouts === 0 && a.restS > b.restS);
}

/** All grid patterns whose total is within −10/+15 % of what is wanted. */
function* patternsFor(wantedS: number): Generator<HoldPattern> {
  for (const holdS of HOLD_S)
    for (const reps of REPS)
      for (const sets of SETS) {
        const total = holdS * reps * sets;
        if (total < 0.9 * wantedS - 1e-9 || total > 1.15 * wantedS + 1e-9) continue;
        for (const restS of reps === 1 ? [0] : REST_S) {
          if (sets === 1) yield { holdS, reps, sets, restS, setRestS: 0 };
          else
            for (const setRestS of SET_REST_S)
              if (setRestS > restS) yield { holdS, reps, sets, restS, setRestS };
        }
      }
}
