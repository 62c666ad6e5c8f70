import { limbGravityTorqueNm } from "../body/limbGravity";
import type { Body } from "../body/segments";
import { type InForce, mostOf } from "../bounds/inForce";
import { type AllowedWindow, whyBarred } from "../bounds/window";
import type { LoadSteps } from "../equipment/loadSteps";
import type { SeatedKneeExtensionMachine } from "../equipment/seatedKneeExtension";
import { type EffortBand, feltEffortBand, shareBandForFeltEffort } from "../isometrics/effortConversion";
import {
  CURVE_VALID_FROM,
  CURVE_VALID_TO,
  plannedEnduranceS,
  shareOfEndurance,
} from "../isometrics/enduranceTime";
import type { PersonalFactor } from "../isometrics/personalFactor";
import { type SimulatedHolds, simulateHolds } from "../isometrics/simulateHolds";
import type { Irritability, School } from "../progression/painRule";
import { capacityAtAngle } from "../strength/capacityAtAngle";
import type { TorqueAngleFit } from "../strength/fitTorqueAngle";
import type { Computed } from "../units/working";
import { half, heldOrNot, holdBars, meantAsFelt } from "./holdFeasibility";
import type { HoldPlan, Means } from "./holdPlan";
import { exerciseSeconds } from "./holdSeconds";
import { type MeansResult, settingsByMeans } from "./settingsByMeans";

export interface DoseContext {
  body: Body;
  fit: TorqueAngleFit;
  /** e.g. "test of 3 November" */
  testedOn: string;
  machine: SeatedKneeExtensionMachine;
  cuffs: LoadSteps;
  window: AllowedWindow;
  /** everything in force today */
  bounds: InForce;
  /** why a held extension by these means is barred altogether; null where it is not */
  meansBarred: Record<Means, string | null>;
  school: School;
  irritability: Irritability;
  personal: PersonalFactor;
}

/** Something that stops a plan from being saved, or that one should know; always with what to do. */
export interface DoseNotice {
  kind: "bars" | "caution";
  sentence: string;
}

export interface DosedHold {
  capacity: Computed;
  /** wanted share of maximum at this angle, with the spread between people if it came from felt effort */
  wantedShare: EffortBand;
  targetTorque: Computed;
  /** what the shank itself asks for at this angle, N·m */
  limbTorqueNm: number;
  byMeans: Record<Means, MeansResult>;
  /** of the chosen means, what is really reached; null when it cannot be set */
  achieved: {
    torqueNm: number;
    shareOfMax: number;
    felt: EffortBand;
    run: SimulatedHolds;
    /** share of endurance a fresh hold uses; null below 15 % of maximum */
    enduranceShare: number | null;
    enduranceS: number;
  } | null;
  notices: DoseNotice[];
  seconds: number;
}

/**
 * Felt effort that a plan is made for: lower after surgery and when easily stirred up, and never above a limit. Dosing
 * rules C [own].
 */
export const effortCap = (s: School, i: Irritability, bounds: InForce): number =>
  Math.min(s === "post_op" || i === "high" ? 6 : 8, mostOf(bounds, "felt_effort"));

/**
 * From a plan to what can really be set: capacity at the angle, target torque for the effort, the real step below it,
 * what that achieves, and everything that bars the plan. Pure; the same function runs in the page and at the route.
 */
export function doseHold(plan: HoldPlan, context: DoseContext): DosedHold {
  const { personal } = context;
  const capacity = capacityAtAngle(context.fit, plan.kneeFlexionDeg, context.testedOn);
  const wantedShare = shareWanted(plan, personal);
  const targetTorque = targetTorqueOf(plan, capacity, wantedShare);
  const limbTorqueNm = limbGravityTorqueNm(context.body, plan.kneeFlexionDeg);
  const cautious = context.school === "post_op" || context.irritability === "high";
  const byMeans = settingsByMeans({
    targetTorqueNm: targetTorque.value,
    kneeFlexionDeg: plan.kneeFlexionDeg,
    body: context.body,
    machine: context.machine,
    cuffs: context.cuffs,
    policy: cautious ? "down" : "nearest",
  });
  const chosen = byMeans[plan.means];
  const achieved = chosen.possible ? achievedBy(plan, chosen.torqueNm, capacity.value, personal) : null;
  const notices = noticesOf(plan, context, byMeans, achieved, wantedShare);
  return {
    capacity,
    wantedShare,
    targetTorque,
    limbTorqueNm,
    byMeans,
    achieved,
    notices,
    seconds: exerciseSeconds(plan.pattern),
  };
}

function shareWanted(plan: HoldPlan, personal: PersonalFactor): EffortBand {
  if (plan.effort.kind === "percent") {
    const value = plan.effort.percent / 100;
    return { value, low: value, high: value };
  }
  return shareBandForFeltEffort("knee", plan.pattern, plan.effort.felt, personal.k, personal.holds);
}

function targetTorqueOf(plan: HoldPlan, capacity: Computed, share: EffortBand): Computed {
  const value = capacity.value * share.value;
  const capacityPart = (capacity.doubt ?? 0) / capacity.value;
  const sharePart = (share.high - share.low) / 2 / share.value;
  const felt = plan.effort.kind === "felt";
  return {
    value,
    unit: "N·m",
    doubt: value * Math.hypot(capacityPart, sharePart),
    origin: "estimated",
    working: {
      formulaId: "dose.target-torque",
      formula: felt
        ? "capacity at this angle × the share of maximum that ends the last hold at the wanted felt effort"
        : "capacity at this angle × wanted percent of maximum",
      inputs: [
        {
          name: "capacity at this angle",
          value: `${capacity.value.toFixed(0)} N·m`,
          origin: capacity.origin,
          from: "torque-angle curve",
        },
        {
          name: "share of maximum",
          value: `${(share.value * 100).toFixed(0)} %`,
          origin: felt ? "estimated" : "entered",
          from: felt ? `felt effort ${plan.effort.kind === "felt" ? plan.effort.felt : ""} of 10` : "plan",
        },
      ],
      source: felt ? "fatigue model, knee (dosing B3–B6)" : "definition",
      confidence: felt ? "medium" : "high",
      cannotTell: "Whether this leg tires faster today than the model's average person.",
    },
  };
}

function achievedBy(plan: HoldPlan, torqueNm: number, capacityNm: number, personal: PersonalFactor) {
  const shareOfMax = torqueNm / capacityNm;
  const inside = Math.min(shareOfMax, 0.99);
  return {
    torqueNm,
    shareOfMax,
    felt: feltEffortBand("knee", plan.pattern, inside, personal.k, personal.holds),
    run: simulateHolds("knee", inside, plan.pattern, { k: personal.k }),
    enduranceShare: shareOfEndurance("knee", shareOfMax, plan.pattern.holdS, personal.k),
    enduranceS: plannedEnduranceS("knee", shareOfMax, personal.k),
  };
}

function noticesOf(
  plan: HoldPlan,
  context: DoseContext,
  byMeans: Record<Means, MeansResult>,
  achieved: DosedHold["achieved"],
  wanted: EffortBand,
): DoseNotice[] {
  const notices: DoseNotice[] = [];
  const bars = (sentence: string) => notices.push({ kind: "bars", sentence });
  const caution = (sentence: string) => notices.push({ kind: "caution", sentence });
  const barred = whyBarred(context.window, plan.kneeFlexionDeg);
  if (barred) bars(barred);
  for (const rung of [plan.ladderFromDeg, plan.ladderToDeg])
    if (whyBarred(context.window, rung))
      caution(`The ladder's end at ${rung}° is barred today; steps stop before it.`);
  const barredMeans = context.meansBarred[plan.means];
  if (barredMeans) bars(barredMeans);
  const asked = {
    holdS: plan.pattern.holdS,
    ...(plan.effort.kind === "felt"
      ? { feltPlanned: plan.effort.felt }
      : { share: plan.effort.percent / 100 }),
  };
  for (const why of holdBars(asked, context.bounds)) bars(asSentence(why));
  const chosen = byMeans[plan.means];
  if (!chosen.possible) bars(chosen.why);
  else if (chosen.flag === "coarse")
    caution(
      `The nearest real step is ${Math.abs(chosen.errorPct).toFixed(0)} % ${chosen.errorPct < 0 ? "below" : "above"} the wanted torque.`,
    );
  if (!achieved) return notices;
  const held = heldOrNot("knee", achieved.shareOfMax, plan.pattern, context.personal, achieved.run);
  if (held.bars) bars(held.bars);
  if (held.caution) caution(held.caution);
  const isAsked = holdBars(asked, context.bounds).length > 0;
  const reached = {
    ...(isAsked ? {} : { share: achieved.shareOfMax }),
    ...(held.bars ? {} : { feltPredicted: held.felt }),
  };
  for (const why of holdBars(reached, context.bounds)) bars(asSentence(why));
  const cap = effortCap(context.school, context.irritability, context.bounds);
  if (achieved.run.failBout === null && achieved.felt.value > cap + 0.25)
    caution(
      `Predicted felt effort ${half(achieved.felt.value)} is above ${cap}, the usual cap here: fewer seconds, more rest or less effort.`,
    );
  if (achieved.shareOfMax < CURVE_VALID_FROM || achieved.shareOfMax > CURVE_VALID_TO)
    caution("The endurance curve was measured between 20 and 80 % of maximum; felt effort is rough here.");
  const meant =
    plan.effort.kind === "percent"
      ? meantAsFelt("knee", wanted.value, plan.pattern, context.personal.k)
      : null;
  if (meant) caution(meant.sentence);
  return notices;
}

const asSentence = (clause: string): string => `${clause.charAt(0).toUpperCase()}${clause.slice(1)}.`;
