import type { EffortBand } from "../isometrics/effortConversion";
import { shareForFeltEffort, spreadFactor } from "../isometrics/effortConversion";
import { MOST_SHARE_PER_HOLD, plannedEnduranceS, shareOfEndurance } from "../isometrics/enduranceTime";
import type { EnduranceJoint } from "../isometrics/joints";
import type { PersonalFactor } from "../isometrics/personalFactor";
import { type HoldPattern, type SimulatedHolds, simulateHolds } from "../isometrics/simulateHolds";

/** Felt effort is never shown finer than half points. */
export const half = (felt: number): string => (Math.round(felt * 2) / 2).toString();

const five = (s: number): number => Math.floor(s / 5 + 1e-9) * 5;

/**
 * Why holds at a share of maximum cannot be held to their end, with what to do; null when they can. A hold never uses
 * more than 0.8 of the endurance, and the whole pattern must not fail. Dosing rules A4, B [own].
 */
export function whyNotHeld(
  joint: EnduranceJoint,
  shareOfMax: number,
  pattern: HoldPattern,
  personal: PersonalFactor,
  run: SimulatedHolds = simulateHolds(joint, Math.min(shareOfMax, 0.99), pattern, { k: personal.k }),
): string | null {
  const spread = spreadFactor(personal.holds);
  const enduranceS = plannedEnduranceS(joint, shareOfMax, personal.k);
  const used = shareOfEndurance(joint, shareOfMax, pattern.holdS, personal.k);
  if (used !== null && used > MOST_SHARE_PER_HOLD) {
    const between = `${five(enduranceS / spread)} to ${five(enduranceS * spread)} s`;
    const longest = five(enduranceS * MOST_SHARE_PER_HOLD);
    return (
      `At ${(shareOfMax * 100).toFixed(0)} % of maximum ${joint === "knee" ? "a knee" : "this muscle"} holds ${between}; ${pattern.holdS} s leaves no reserve. ` +
      (longest >= 5 ? `Hold ${longest} s or less, or lower the effort.` : "Lower the effort.")
    );
  }
  if (run.failBout !== null)
    return `Hold ${run.failBout} is predicted to fail after ${Math.floor(run.failSecondS ?? 0)} s: more rest, fewer holds or less effort.`;
  return null;
}

/** Percents from here on, held for so long, are nearly always meant as felt effort. */
const PERCENT_TO_ASK_ABOUT = 0.6;
const LONG_HOLD_S = 30;

/** The felt effort that 60 to 70 % most likely meant, and the share of maximum it is for this pattern; null: no question. */
export function meantAsFelt(
  joint: EnduranceJoint,
  percentOfMax: number,
  pattern: HoldPattern,
  k: number,
): { felt: number; share: EffortBand["value"]; sentence: string } | null {
  if (percentOfMax < PERCENT_TO_ASK_ABOUT || pattern.holdS < LONG_HOLD_S) return null;
  const felt = Math.min(8, Math.round(percentOfMax * 20) / 2);
  const share = shareForFeltEffort(joint, pattern, felt, k);
  return {
    felt,
    share,
    sentence: `Was felt effort meant? 60 to 70 % held for 30 s and more is nearly always a felt effort of 6 to 7 of 10. For these holds, felt ${felt} at the end of the last one is about ${Math.round(share * 100)} % of maximum.`,
  };
}
