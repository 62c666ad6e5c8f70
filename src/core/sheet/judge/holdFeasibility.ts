import { type InForce, mostOf, reasonsOf } from "../../bounds/inForce";
import type { Tightest } from "../../bounds/tightest";
import type { EffortBand } from "../../isometrics/effortConversion";
import { shareForFeltEffort, spreadFactor } from "../../isometrics/effortConversion";
import { MOST_SHARE_PER_HOLD, plannedEnduranceS, shareOfEndurance } from "../../isometrics/enduranceTime";
import type { EnduranceJoint } from "../../isometrics/joints";
import type { PersonalFactor } from "../../isometrics/personalFactor";
import { type HoldPattern, type SimulatedHolds, simulateHolds } from "../../isometrics/simulateHolds";
import { type Said, saidWith } from "../../units/said";

const five = (s: number): number => Math.floor(s / 5 + 1e-9) * 5;

/** A hold against what people hold at its share of maximum. */
export interface HoldAsked {
  share: number;
  isKnee: boolean;
  /** from the short to the long end of the spread */
  fromS: number;
  toS: number;
  holdS: number;
  /** what the middle holds with its reserve */
  sureS: number;
}

/** Whether holds can be held: barred, or worth one try, or neither. */
export interface HeldOrNot {
  bars: Said | null;
  caution: Said | null;
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
  const at: HoldAsked = {
    share: shareOfMax,
    isKnee: joint === "knee",
    fromS: five(enduranceS / spread),
    toS: five(enduranceS * spread),
    holdS: pattern.holdS,
    sureS: five(enduranceS * MOST_SHARE_PER_HOLD),
  };
  if (shareOfMax >= 1 || pattern.holdS > enduranceS * spread)
    return { bars: saidWith("held.nobody", at), caution: null, felt: 10 };
  const failing = (run: SimulatedHolds) => ({
    bout: run.failBout,
    second: Math.floor(run.failSecondS ?? 0),
  });
  if (longest.failBout !== null)
    return {
      bars: saidWith("held.fails", { ...at, ...failing(longest), isLong }),
      caution: null,
      felt: 10,
    };
  return {
    bars: null,
    caution: saidWith("held.try_one", { ...at, ...failing(run), isLong }),
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
export function holdBars(hold: AskedHold, bounds: InForce): Said[] {
  const found: Said[] = [];
  const { hold_seconds: seconds, hold_effort: effort, felt_effort: felt } = bounds;
  const broken = (code: string, t: Tightest, asked: number): void => {
    found.push(saidWith(code, { asked, most: t.high, because: reasonsOf(t) }));
  };
  if (seconds && hold.holdS !== undefined && hold.holdS > mostOf(bounds, "hold_seconds"))
    broken("held.seconds", seconds, hold.holdS);
  if (effort && hold.share !== undefined && hold.share * 100 > mostOf(bounds, "hold_effort") + 0.5)
    broken("held.effort", effort, hold.share);
  if (felt && hold.feltPlanned !== undefined && hold.feltPlanned > mostOf(bounds, "felt_effort"))
    broken("held.felt", felt, hold.feltPlanned);
  if (felt && hold.feltPredicted !== undefined && hold.feltPredicted > mostOf(bounds, "felt_effort") + 0.5)
    broken("held.felt_predicted", felt, hold.feltPredicted);
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
): { felt: number; share: EffortBand["value"]; said: Said } | null {
  if (percentOfMax < PERCENT_TO_ASK_ABOUT || pattern.holdS < LONG_HOLD_S) return null;
  const felt = Math.min(8, Math.round(percentOfMax * 20) / 2);
  const share = shareForFeltEffort(joint, pattern, felt, k);
  return {
    felt,
    share,
    said: saidWith("held.meant_felt", { felt, share }),
  };
}
