import { clamp } from "../units/clamp";
import { CURVE_VALID_FROM, CURVE_VALID_TO, meanEnduranceS } from "./enduranceTime";
import type { EnduranceJoint } from "./joints";

/** A fresh hold that ended because the muscle gave out. */
export interface TimedHold {
  shareOfMax: number;
  heldS: number;
}

export interface PersonalFactor {
  k: number;
  /** holds that counted; 0 means the population mean with its wide spread */
  holds: number;
}

/** How much longer than the mean this person holds, pulled towards 1 while few holds are known. Dosing rules A3 [own]. */
export function personalFactor(joint: EnduranceJoint, observed: readonly TimedHold[]): PersonalFactor {
  const usable = observed.filter(
    (h) => h.shareOfMax >= CURVE_VALID_FROM && h.shareOfMax <= CURVE_VALID_TO && h.heldS > 0,
  );
  const n = usable.length;
  if (n === 0) return { k: 1, holds: 0 };
  const meanLog =
    usable.reduce((sum, h) => sum + Math.log(h.heldS / meanEnduranceS(joint, h.shareOfMax)), 0) / n;
  return { k: clamp(Math.exp((n / (n + 1)) * meanLog), 0.4, 2.5), holds: n };
}
