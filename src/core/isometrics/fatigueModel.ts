import { plannedEnduranceS } from "./enduranceTime";
import { type EnduranceJoint, JOINTS } from "./joints";

/** Fatigued share of the muscle: a fast pool and a slow one (tau about 19 min). */
export interface FatigueState {
  fast: number;
  slow: number;
}

export const FRESH: FatigueState = { fast: 0, slow: 0 };

export const SLOW_SHARE = 0.15;
export const SLOW_RECOVERY_RATE = 0.00087;

export interface FatigueModel {
  joint: EnduranceJoint;
  /** scales the rates during a hold so that one fresh hold fails exactly at the planned endurance */
  kappa: number;
  slowShare: number;
}

/**
 * State after holding `shareOfMax` for `seconds`. Three-compartment model in closed form, activation quasi-steady
 * (Xia & Frey-Law 2008; slow pool own). Dosing rules B5-B6.
 */
export function afterHold(
  model: FatigueModel,
  state: FatigueState,
  shareOfMax: number,
  seconds: number,
): FatigueState {
  const { fatigueRate, recoveryRate } = JOINTS[model.joint];
  const fastEnd = ((1 - model.slowShare) * fatigueRate * shareOfMax) / recoveryRate;
  const fast = fastEnd + (state.fast - fastEnd) * Math.exp(-model.kappa * recoveryRate * seconds);
  if (model.slowShare === 0) return { fast, slow: 0 };
  const slowEnd = (model.slowShare * model.kappa * fatigueRate * shareOfMax) / SLOW_RECOVERY_RATE;
  const slow = slowEnd + (state.slow - slowEnd) * Math.exp(-SLOW_RECOVERY_RATE * seconds);
  return { fast, slow };
}

/** State after `seconds` of rest: the fast pool recovers `restMultiplier` times faster than under load. */
export function afterRest(model: FatigueModel, state: FatigueState, seconds: number): FatigueState {
  const { recoveryRate, restMultiplier } = JOINTS[model.joint];
  return {
    fast: state.fast * Math.exp(-restMultiplier * recoveryRate * seconds),
    slow: state.slow * Math.exp(-SLOW_RECOVERY_RATE * seconds),
  };
}

const fatigued = (s: FatigueState): number => s.fast + s.slow;

/** Nobody holds to a finer time. */
const NO_LONGER_S = 1e-6;

/** Seconds until what is left falls below the demand; Infinity if it never does. */
export function timeToFailureS(model: FatigueModel, shareOfMax: number, from: FatigueState = FRESH): number {
  const room = 1 - shareOfMax;
  if (fatigued(from) >= room) return 0;
  if (model.slowShare === 0) return failureWithoutSlowPool(model, shareOfMax, from.fast);
  const fails = (t: number) => fatigued(afterHold(model, from, shareOfMax, t)) >= room;
  let high = 1;
  while (!fails(high)) {
    high *= 2;
    if (high > 1e6) return Number.POSITIVE_INFINITY;
  }
  let low = high / 2;
  if (high === 1) low = 0;
  while (high - low > NO_LONGER_S) {
    const mid = (low + high) / 2;
    if (fails(mid)) high = mid;
    else low = mid;
  }
  return high;
}

function failureWithoutSlowPool(model: FatigueModel, shareOfMax: number, fast: number): number {
  const { fatigueRate, recoveryRate } = JOINTS[model.joint];
  const end = (fatigueRate * shareOfMax) / recoveryRate;
  if (end <= 1 - shareOfMax) return Number.POSITIVE_INFINITY;
  return -Math.log((end - 1 + shareOfMax) / (end - fast)) / (model.kappa * recoveryRate);
}

/**
 * The model anchored to the endurance curve: kappa by bisection on a log scale within 0.05-20 so that a fresh hold
 * fails at the planned endurance. Dosing rules B3 [own].
 */
export function anchoredModel(
  joint: EnduranceJoint,
  shareOfMax: number,
  k = 1,
  slowShare = SLOW_SHARE,
): FatigueModel {
  const wanted = plannedEnduranceS(joint, shareOfMax, k);
  const fresh = { joint, kappa: 1, slowShare };
  if (!(wanted > 0) || !Number.isFinite(timeToFailureS(fresh, shareOfMax))) return fresh;
  // fatigue only rises during a hold, so failing at the planned second means reaching the room exactly then
  const failsInTime = (kappa: number) =>
    fatigued(afterHold({ joint, kappa, slowShare }, FRESH, shareOfMax, wanted)) >= 1 - shareOfMax;
  let low = Math.log(0.05);
  let high = Math.log(20);
  for (let i = 0; i < 50; i++) {
    const mid = (low + high) / 2;
    if (failsInTime(Math.exp(mid))) high = mid;
    else low = mid;
  }
  return { joint, kappa: Math.exp((low + high) / 2), slowShare };
}
