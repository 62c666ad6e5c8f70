import { GRAVITY_M_S2 } from "../units/mass";

/** Segment lengths (m), masses (kg) and centres of mass of one adult body. Angles never live here. */
export interface Body {
  massKg: number;
  heightM: number;
  thighLengthM: number;
  shankLengthM: number;
  ankleHeightM: number;
  footLengthM: number;
  thighMassKg: number;
  /** shank and foot together */
  shankMassKg: number;
  /** from the hip, along the thigh */
  thighComM: number;
  /** from the knee, along the shank */
  shankComM: number;
  /** largest hip flexion with the knee bent, pelvis fixed, degrees */
  hipFlexionMaxDeg: number;
  /** straight-leg raise, degrees */
  straightLegRaiseDeg: number;
  /** ankle bend with the knee bent up to which the heel stays down, degrees */
  dorsiflexionMaxDeg: number;
  /** what of its reach was measured: by the hip's and the raise the backs are set (rule Measured 3) */
  measured?: { hip?: boolean; raise?: boolean; ankle?: boolean };
  /** knee bend in which the pelvis was seen to roll, by the machine's id */
  pelvisRollsDeg?: Readonly<Record<string, number>>;
}

/**
 * Body from height and mass: Winter / Drillis-Contini proportions (well remembered); a measured shank length
 * replaces the proportion. Adult fractions; not for amputation or severe obesity.
 */
export function bodyFrom(massKg: number, heightM: number, shankLengthM = 0.246 * heightM): Body {
  const thighLengthM = 0.245 * heightM;
  return {
    massKg,
    heightM,
    thighLengthM,
    shankLengthM,
    ankleHeightM: 0.039 * heightM,
    footLengthM: 0.152 * heightM,
    thighMassKg: 0.1 * massKg,
    shankMassKg: 0.061 * massKg,
    thighComM: 0.433 * thighLengthM,
    shankComM: 0.606 * shankLengthM,
    hipFlexionMaxDeg: 105,
    straightLegRaiseDeg: 75,
    dorsiflexionMaxDeg: 35,
  };
}

/** Who is drawn where nobody in particular is meant. */
export const USUAL_BODY: Body = bodyFrom(75, 1.75);

/** Weight of shank and foot, N. */
export const shankWeightN = (body: Body): number => body.shankMassKg * GRAVITY_M_S2;
