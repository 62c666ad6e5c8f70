import { afterHold, anchoredModel, FRESH } from "../../core/isometrics/fatigueModel";
import { normal, type Random } from "./random";

/** What the pretended person does at the pretended load cell. */
export interface SimulatedPush {
  /** the most this leg can push here when fresh, N */
  maxForceN: number;
  /** the force aimed at, N; at or above the maximum the push fades with fatigue */
  aimForceN: number;
  /** relaxed before the push starts */
  restS: number;
  pushS: number;
  /** what the cell reads with nothing on it, N */
  offsetN?: number;
}

const RAMP_TAU_S = 0.22;
const RELEASE_TAU_S = 0.12;
export const SAMPLE_HZ = 80;

/**
 * A believable force trace, sample by sample at 80 Hz: rest, exponential rise, plateau with slow wander, 9 Hz tremor
 * growing with effort and fatigue, decline once the muscle cannot keep up, release, sensor noise. Stand-in for a real
 * load cell; nothing in the product relies on more than times and forces.
 */
export function* simulateLoadCell(
  push: SimulatedPush,
  random: Random,
): Generator<{ timeS: number; forceN: number }> {
  const share = Math.min(1, push.aimForceN / push.maxForceN);
  // a maximal push tires as a hold at 95 % would; the curve has no endurance at 100 %
  const demand = Math.min(0.95, Math.max(0.05, share));
  const model = anchoredModel("knee", demand);
  const phase = random() * 2 * Math.PI;
  let wander = 0;
  const endS = push.restS + push.pushS;
  const totalS = endS + 1;
  for (let i = 0; i <= totalS * SAMPLE_HZ; i++) {
    const timeS = i / SAMPLE_HZ;
    wander = 0.985 * wander + 0.0025 * normal(random);
    let forceN = 0;
    if (timeS > push.restS) {
      const t = Math.min(timeS, endS) - push.restS;
      const tired = afterHold(model, FRESH, demand, t);
      const left = 1 - (tired.fast + tired.slow);
      const canN = share >= 0.95 ? push.maxForceN * (0.35 + 0.65 * left) : push.maxForceN * left;
      const level = Math.min(push.aimForceN, canN) * (1 - Math.exp(-t / RAMP_TAU_S));
      const tremor = (0.006 + 0.012 * share * (1.4 - left)) * Math.sin(2 * Math.PI * 9 * t + phase);
      forceN = level * (1 + wander + tremor);
      if (timeS > endS) forceN *= Math.exp(-(timeS - endS) / RELEASE_TAU_S);
    }
    yield { timeS, forceN: forceN + (push.offsetN ?? 0) + 0.6 * normal(random) };
  }
}
