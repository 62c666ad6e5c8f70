import { limbGravityTorqueNm } from "../body/limbGravity";
import type { Body } from "../body/segments";
import { type LoadSteps, settingsOf } from "../equipment/loadSteps";
import { MOST_ABOVE, type RoundedLoad, type RoundingPolicy, roundLoad } from "../equipment/roundLoad";
import {
  leverTorqueNm,
  loadForTorqueKg,
  type SeatedKneeExtensionMachine,
} from "../equipment/seatedKneeExtension";
import { cuffDistanceM } from "../mechanics/kneeExtension";
import { toRadians } from "../units/clamp";
import { GRAVITY_M_S2, trimZeros } from "../units/mass";
import type { Means } from "./holdPlan";

export type MeansResult =
  | {
      possible: true;
      /** what to set, in words: "pin 4", "ankle cuff", "strap with load cell" */
      how: string;
      /** stack or cuff mass, kg; null for the strap */
      loadKg: number | null;
      /** muscle torque that is held with it, own limb included, N·m */
      torqueNm: number;
      /** how far friction lets the true torque be from it, N·m */
      frictionDoubtNm: number;
      /** force between shin and pad, cuff or strap, N */
      shinForceN: number;
      /** achieved against wanted torque, % */
      errorPct: number;
      flag: "ok" | "coarse";
    }
  | {
      possible: false;
      /** a few words for a list */
      short: string;
      /** the whole sentence: why, and what to use instead */
      why: string;
    };

interface SettingQuestion {
  targetTorqueNm: number;
  kneeFlexionDeg: number;
  body: Body;
  machine: SeatedKneeExtensionMachine;
  cuffs: LoadSteps;
  policy: RoundingPolicy;
}

const COARSE_PCT = 5;
/** Beyond this the heaviest setting is no stand-in for the wanted torque [own]. */
const FAR_BELOW = 0.8;

/** The real setting for a wanted torque by each means. Torque never comes out above target by more than D3 allows. */
export function settingsByMeans(q: SettingQuestion): Record<Means, MeansResult> {
  return { machine: onMachine(q), cuff: withCuff(q), strap: onStrap(q) };
}

/** What is left for outside load after the limb's own weight, N·m. */
const openTorqueNm = (q: SettingQuestion): number =>
  q.targetTorqueNm - limbGravityTorqueNm(q.body, q.kneeFlexionDeg);

function limbAlone(q: SettingQuestion): MeansResult | null {
  if (openTorqueNm(q) > 0) return null;
  return {
    possible: false,
    short: "the leg's own weight is already more",
    why: `The lower leg's own weight already asks for ${limbGravityTorqueNm(q.body, q.kneeFlexionDeg).toFixed(0)} N·m here, more than the wanted ${q.targetTorqueNm.toFixed(0)}: support the leg, bend the knee more or raise the effort.`,
  };
}

/**
 * The real step for the outside torque. Past 90° the shin's weight helps, so a step 5 % above its own share could be
 * more than 5 % above the muscle's target: then the lower one is taken.
 */
function roundFor(
  q: SettingQuestion,
  steps: LoadSteps,
  wantedKg: number,
  outsideNmAt: (loadKg: number) => number,
): RoundedLoad {
  const rounded = roundLoad(steps, wantedKg, q.policy);
  if (rounded.load === null) return rounded;
  const limbNm = limbGravityTorqueNm(q.body, q.kneeFlexionDeg);
  const torqueNm = outsideNmAt(rounded.load) + limbNm;
  return torqueNm > MOST_ABOVE * q.targetTorqueNm ? roundLoad(steps, wantedKg, "down") : rounded;
}

function onMachine(q: SettingQuestion): MeansResult {
  const alone = limbAlone(q);
  if (alone) return alone;
  const { machine, kneeFlexionDeg } = q;
  if (kneeFlexionDeg < machine.usableFromDeg || kneeFlexionDeg > machine.usableToDeg)
    return {
      possible: false,
      short: "outside its arc",
      why: `${machine.name} works from ${machine.usableFromDeg}° to ${machine.usableToDeg}°: use the strap or another angle.`,
    };
  const rounded = roundFor(
    q,
    machine.steps,
    loadForTorqueKg(machine, openTorqueNm(q), kneeFlexionDeg),
    (kg) => leverTorqueNm(machine, kg, kneeFlexionDeg),
  );
  if (rounded.load === null) {
    const torque =
      leverTorqueNm(machine, rounded.lightest, kneeFlexionDeg) + limbGravityTorqueNm(q.body, kneeFlexionDeg);
    return {
      possible: false,
      short: "lightest step is too heavy",
      why: `The lightest step of ${machine.name}, ${trimZeros(rounded.lightest.toFixed(1))} kg, already asks for ${torque.toFixed(0)} N·m, above the wanted ${q.targetTorqueNm.toFixed(0)}. Use the ankle cuff or the strap instead.`,
    };
  }
  const lever = leverTorqueNm(machine, rounded.load, kneeFlexionDeg);
  if (isHeaviest(machine.steps, rounded.load) && lever < FAR_BELOW * openTorqueNm(q))
    return {
      possible: false,
      short: "heaviest step is too light",
      why: `The heaviest step of ${machine.name} gives ${(lever + limbGravityTorqueNm(q.body, kneeFlexionDeg)).toFixed(0)} N·m, well below the wanted ${q.targetTorqueNm.toFixed(0)}: use the strap.`,
    };
  return outcome(
    q,
    rounded.how,
    rounded.load,
    lever,
    lever / machine.padDistanceM,
    lever * machine.frictionShare,
  );
}

function withCuff(q: SettingQuestion): MeansResult {
  const alone = limbAlone(q);
  if (alone) return alone;
  const armM = cuffDistanceM(q.body) * Math.cos(toRadians(q.kneeFlexionDeg));
  // near a hanging shin a cuff pulls along the bone and loads nothing
  if (q.kneeFlexionDeg > 75)
    return {
      possible: false,
      short: "hardly loads the knee here",
      why: "Beyond 75° a cuff hardly loads the knee: use the machine or the strap.",
    };
  const rounded = roundFor(
    q,
    q.cuffs,
    openTorqueNm(q) / (armM * GRAVITY_M_S2),
    (kg) => kg * GRAVITY_M_S2 * armM,
  );
  if (rounded.load === null)
    return {
      possible: false,
      short: "lightest cuff is too heavy",
      why: `The lightest cuff, ${trimZeros(rounded.lightest.toFixed(1))} kg, is already above the wanted torque: use the strap, or the leg's own weight.`,
    };
  const torqueNm = rounded.load * GRAVITY_M_S2 * armM;
  if (isHeaviest(q.cuffs, rounded.load) && torqueNm < FAR_BELOW * openTorqueNm(q))
    return {
      possible: false,
      short: "heaviest cuff is too light",
      why: `The heaviest cuff gives ${(torqueNm + limbGravityTorqueNm(q.body, q.kneeFlexionDeg)).toFixed(0)} N·m, well below the wanted ${q.targetTorqueNm.toFixed(0)}: use the machine or the strap.`,
    };
  return outcome(q, "ankle cuff", rounded.load, torqueNm, rounded.load * GRAVITY_M_S2);
}

const isHeaviest = (steps: LoadSteps, kg: number): boolean =>
  settingsOf(steps).every((s) => s.kg <= kg + 1e-6);

/** A strap at the pad's place with the load cell in it: any force, read live. */
function onStrap(q: SettingQuestion): MeansResult {
  const alone = limbAlone(q);
  if (alone) return alone;
  const torqueNm = openTorqueNm(q);
  const pullN = torqueNm / q.machine.padDistanceM;
  if (pullN < LEAST_PULL_N)
    return {
      possible: false,
      short: "the pull would be too small to read",
      why: `The strap would be pulled with ${pullN.toFixed(0)} N, less than a cell and a person can keep steady: hold the leg's own weight, or raise the effort.`,
    };
  return outcome(q, "strap with load cell", null, torqueNm, pullN);
}

/** A pull below this is noise on a load cell and nothing to aim at [own]. */
const LEAST_PULL_N = 10;

function outcome(
  q: SettingQuestion,
  how: string,
  loadKg: number | null,
  outsideNm: number,
  shinForceN: number,
  frictionDoubtNm = 0,
): MeansResult {
  const torqueNm = outsideNm + limbGravityTorqueNm(q.body, q.kneeFlexionDeg);
  const errorPct = ((torqueNm - q.targetTorqueNm) / q.targetTorqueNm) * 100;
  return {
    possible: true,
    how,
    loadKg,
    torqueNm,
    frictionDoubtNm,
    shinForceN,
    errorPct,
    flag: Math.abs(errorPct) > COARSE_PCT ? "coarse" : "ok",
  };
}
