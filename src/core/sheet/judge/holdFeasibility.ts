import { becauseOf, type InForce, mostOf } from "../../bounds/inForce";
import type { EffortBand } from "../../isometrics/effortConversion";
import { shareForFeltEffort, spreadFactor } from "../../isometrics/effortConversion";
import { MOST_SHARE_PER_HOLD, plannedEnduranceS, shareOfEndurance } from "../../isometrics/enduranceTime";
import type { EnduranceJoint } from "../../isometrics/joints";
import type { PersonalFactor } from "../../isometrics/personalFactor";
import { type HoldPattern, type SimulatedHolds, simulateHolds } from "../../isometrics/simulateHolds";

/** Felt effort is never shown finer than half points. */
export const half = (felt: number): string => (Math.round(felt * 2) / 2).toString();

const five = (s: number): number => Math.floor(s / 5 + 1e-9) * 5;

/** Whether holds can be held: barred, or worth one try, or neither. Sentences with what to do. */
export interface HeldOrNot {
  bars: string | null;
  caution: string | null;
  /** felt effort at the end of the last hold, 0 to 10, of somebody who holds it */
  felt: number;
}

/**
 * Whether holds at a share of maximum can be held to their end. People differ: barred is only what even the long end of
 * the spread cannot hold; what the middle cannot hold with its reserve of a fifth is a caution, and the first hold then
 * says where this person stands. Dosing rules A4, B [own]; corrections K9.
 */
export function heldOrNot(
  joint: EnduranceJoint,
  shareOfMax: number,
  pattern: HoldPattern,
  personal: PersonalFactor,
  run: SimulatedHolds = simulateHolds(joint, inside(shareOfMax), pattern, { k: personal.k }),
): HeldOrNot {
  const spread = spreadFactor(personal.holds);
  const enduranceS = plannedEnduranceS(joint, shareOfMax, personal.k);
  const used = shareOfEndurance(joint, shareOfMax, pattern.holdS, personal.k);
  const isLong = used !== null && used > MOST_SHARE_PER_HOLD;
  if (!isLong && run.failBout === null) return { bars: null, caution: null, felt: run.effort10 };
  const longest = simulateHolds(joint, inside(shareOfMax), pattern, { k: personal.k * spread });
  const between = `${five(enduranceS / spread)} to ${five(enduranceS * spread)} s`;
  const who = joint === "knee" ? "a knee" : "this muscle";
  const at = `At ${(shareOfMax * 100).toFixed(0)} % of maximum ${who} holds ${between}`;
  const sure = five(enduranceS * MOST_SHARE_PER_HOLD);
  const instead = sure >= 5 ? `Hold ${sure} s or less, or lower the effort.` : "Lower the effort.";
  if (shareOfMax >= 1 || pattern.holdS > enduranceS * spread)
    return {
      bars: `${at}; nobody is expected to hold ${pattern.holdS} s. ${instead}`,
      caution: null,
      felt: 10,
    };
  if (longest.failBout !== null)
    return {
      bars: `${isLong ? `${at}. ` : ""}Hold ${longest.failBout} is predicted to fail after ${Math.floor(longest.failSecondS ?? 0)} s, even in somebody who holds long: more rest, fewer holds or less effort.${isLong ? ` ${instead}` : ""}`,
      caution: null,
      felt: 10,
    };
  const what = isLong
    ? `${at}; ${pattern.holdS} s may be too long.`
    : `Hold ${run.failBout} may fail after ${Math.floor(run.failSecondS ?? 0)} s.`;
  return {
    bars: null,
    caution: `${what} Try one, stop when the position goes: that hold tells how long this person holds. To be sure: ${instead.charAt(0).toLowerCase()}${instead.slice(1)}`,
    felt: longest.effort10,
  };
}

const inside = (shareOfMax: number): number => Math.min(shareOfMax, 0.99);

/** What a hold is asked about; what is left out is not known. */
export interface AskedHold {
  holdS?: number;
  /** of maximum at its angle */
  share?: number;
  /** felt effort, 0 to 10: as planned, and as predicted at the end of the last hold */
  feltPlanned?: number;
  feltPredicted?: number;
}

/** Which limits on holds are broken, each with who set it and what to do. The one place that asks. */
export function holdBars(hold: AskedHold, bounds: InForce): string[] {
  const found: string[] = [];
  const { hold_seconds: seconds, hold_effort: effort, felt_effort: felt } = bounds;
  if (seconds && hold.holdS !== undefined && hold.holdS > mostOf(bounds, "hold_seconds"))
    found.push(`holds may last ${seconds.high} s at most, because ${becauseOf(seconds)}: shorten the hold`);
  if (effort && hold.share !== undefined && hold.share * 100 > mostOf(bounds, "hold_effort") + 0.5)
    found.push(
      `it asks for ${Math.round(hold.share * 100)} % of maximum; holds may use ${effort.high} % at most, because ${becauseOf(effort)}: lower the effort`,
    );
  if (felt && hold.feltPlanned !== undefined && hold.feltPlanned > mostOf(bounds, "felt_effort"))
    found.push(
      `felt effort ${hold.feltPlanned} is above ${felt.high}, the most that is allowed, because ${becauseOf(felt)}: lower it`,
    );
  if (felt && hold.feltPredicted !== undefined && hold.feltPredicted > mostOf(bounds, "felt_effort") + 0.5)
    found.push(
      `it is predicted to feel like ${half(hold.feltPredicted)} of 10 at the end; ${felt.high} is the most that is allowed, because ${becauseOf(felt)}: lower the effort or rest longer`,
    );
  return found;
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
