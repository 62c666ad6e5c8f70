import { PERSON_SPREAD_FACTOR } from "./enduranceTime";
import type { EnduranceJoint } from "./joints";
import { type HoldPattern, simulateHolds } from "./simulateHolds";

const LOWEST = 0.01;
const HIGHEST = 0.99;

/** Largest share of maximum whose hardest hold stays at or below a felt effort, 0-10. Dosing rules A5. */
export function shareForFeltEffort(joint: EnduranceJoint, pattern: HoldPattern, felt: number, k = 1): number {
  const within = (f: number) => {
    const run = simulateHolds(joint, f, pattern, { k });
    return run.failBout === null && run.effort10 <= felt;
  };
  if (!within(LOWEST)) return LOWEST;
  let low = LOWEST;
  let high = HIGHEST;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (within(mid)) low = mid;
    else high = mid;
  }
  return low;
}

export interface EffortBand {
  value: number;
  low: number;
  high: number;
}

/** Felt effort at the end of the hardest hold for a share of maximum, with the same spread. */
export function feltEffortBand(
  joint: EnduranceJoint,
  pattern: HoldPattern,
  shareOfMax: number,
  k: number,
  timedHolds: number,
): EffortBand {
  const spread = spreadFactor(timedHolds);
  const felt = (personal: number) => simulateHolds(joint, shareOfMax, pattern, { k: personal }).effort10;
  return { value: felt(k), low: felt(k * spread), high: felt(k / spread) };
}

/** Between-person spread of endurance: wide for the population, narrower once this person was timed. */
export const spreadFactor = (timedHolds: number): number => (timedHolds > 0 ? 1.2 : PERSON_SPREAD_FACTOR);
