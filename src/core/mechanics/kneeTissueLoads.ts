import { toRadians } from "../units/clamp";
import type { JointLoads } from "./inverseDynamics";
import {
  contactAreaMm2,
  hamstringAngleDeg,
  hamstringLeverM,
  kneecapForceRatio,
  patellarTendonAngleDeg,
  patellarTendonLeverM,
  quadricepsLeverM,
} from "./tissueCurves";

export interface TissueOptions {
  chain: "open" | "closed";
  /** antagonist floor c; evaluate 0 and 0.10 for a limit on forward pull and take the larger */
  coactivation: number;
  hamstringShare: number;
  flexorHamstringShare: number;
}

export const TISSUE_DEFAULTS: TissueOptions = {
  chain: "closed",
  coactivation: 0.1,
  hamstringShare: 0.4,
  flexorHamstringShare: 0.85,
};

export interface KneeTissueLoads {
  quadricepsMomentNm: number;
  hamstringForceN: number;
  quadricepsForceN: number;
  patellarTendonForceN: number;
  kneecapForceN: number;
  /** show as bands and multiples of a reference task, never as decimals of MPa */
  kneecapStressMPa: number;
  /** + forward pull on the shin, - backward; treat below 50 N as zero */
  shinShearN: number;
  shinCompressionN: number;
}

const HIP_HAMSTRING_LEVER_M = 0.066;

/** What the tissue curves say at one knee angle, looked up once where an angle is used for many loads. */
export interface TissueLevers {
  kneeFlexionDeg: number;
  quadricepsM: number;
  patellarTendonM: number;
  hamstringM: number;
  kneecapRatio: number;
  contactMm2: number;
  tendonSin: number;
  tendonCos: number;
  hamstringSin: number;
  hamstringCos: number;
}

export function tissueLevers(kneeFlexionDeg: number): TissueLevers {
  const beta = toRadians(patellarTendonAngleDeg(kneeFlexionDeg));
  const gamma = toRadians(hamstringAngleDeg(kneeFlexionDeg));
  return {
    kneeFlexionDeg,
    quadricepsM: quadricepsLeverM(kneeFlexionDeg),
    patellarTendonM: patellarTendonLeverM(kneeFlexionDeg),
    hamstringM: hamstringLeverM(kneeFlexionDeg),
    kneecapRatio: kneecapForceRatio(kneeFlexionDeg),
    contactMm2: contactAreaMm2(kneeFlexionDeg),
    tendonSin: Math.sin(beta),
    tendonCos: Math.cos(beta),
    hamstringSin: Math.sin(gamma),
    hamstringCos: Math.cos(gamma),
  };
}

/** Muscle, kneecap-joint and shin loads from the joint moments. Source: mechanics rules 4. */
export function kneeTissueLoads(
  joint: JointLoads,
  options: TissueOptions = TISSUE_DEFAULTS,
  levers: TissueLevers = tissueLevers(joint.kneeFlexionDeg),
): KneeTissueLoads {
  const hamLever = levers.hamstringM;
  const hamstringForceN = hamstringForce(joint, options, hamLever);
  const quadricepsMomentNm = Math.max(0, joint.kneeMomentNm + hamstringForceN * hamLever);
  const quadricepsForceN = quadricepsMomentNm / levers.quadricepsM;
  const patellarTendonForceN = quadricepsMomentNm / levers.patellarTendonM;
  const kneecapForceN = levers.kneecapRatio * quadricepsForceN;
  return {
    quadricepsMomentNm,
    hamstringForceN,
    quadricepsForceN,
    patellarTendonForceN,
    kneecapForceN,
    kneecapStressMPa: kneecapForceN / levers.contactMm2,
    shinShearN:
      joint.externalShearN + patellarTendonForceN * levers.tendonSin - hamstringForceN * levers.hamstringSin,
    shinCompressionN:
      patellarTendonForceN * levers.tendonCos + hamstringForceN * levers.hamstringCos - joint.externalAxialN,
  };
}

function hamstringForce(joint: JointLoads, options: TissueOptions, hamLever: number): number {
  const candidates = [0];
  const hip = joint.hipMomentNm ?? 0;
  if (options.chain === "closed" && hip > 0)
    candidates.push((options.hamstringShare * hip) / HIP_HAMSTRING_LEVER_M);
  if (joint.kneeMomentNm > 0) candidates.push((options.coactivation * joint.kneeMomentNm) / hamLever);
  if (joint.kneeMomentNm < 0) {
    // near lock-out in closed chain the posterior capsule carries part of a flexor moment
    const capsule = options.chain === "closed" ? Math.min(1, joint.kneeFlexionDeg / 15) : 1;
    candidates.push(((options.flexorHamstringShare * -joint.kneeMomentNm) / hamLever) * capsule);
  }
  return Math.max(...candidates);
}
