import type { Body } from "../body/segments";
import { GRAVITY_M_S2 } from "../units/mass";
import { cross, dot, minus, plus, times, unit, type Vector, vector } from "./vector";

/** Absolute segment directions, degrees, counter-clockwise from +x (mechanics rules 1). */
export interface Posture {
  /** hip to knee */
  thighDeg: number;
  /** knee to ankle */
  shankDeg: number;
  /** hip to shoulder */
  trunkDeg: number;
  /** the thigh lies on a seat or bench, so statics cannot tell the hip moment */
  thighSupported: boolean;
}

export interface ExternalForce {
  segment: "foot" | "shank" | "thigh";
  /** point of attack, relative to the knee */
  atM: Vector;
  forceN: Vector;
}

export interface JointLoads {
  kneeFlexionDeg: number;
  hipFlexionDeg: number;
  /** internal extensor moment, N·m */
  kneeMomentNm: number;
  /** null where statics cannot determine it */
  hipMomentNm: number | null;
  /** internal plantarflexor moment, N·m; the foot's own weight is neglected */
  ankleMomentNm: number;
  /** sum of the forces below the knee along the shin's forward normal, N */
  externalShearN: number;
  /** the same along the shin, towards the foot, N */
  externalAxialN: number;
}

/**
 * The one static inverse-dynamics routine for a leg, slow movement only. Source: mechanics rules 3.
 * Points are relative to the knee; limb weights are added here.
 */
export function jointLoads(body: Body, posture: Posture, forces: readonly ExternalForce[]): JointLoads {
  const distal = unit(posture.shankDeg);
  const anterior = vector(-distal.y, distal.x);
  const shankWeight: ExternalForce = {
    segment: "shank",
    atM: times(distal, body.shankComM),
    forceN: vector(0, -body.shankMassKg * GRAVITY_M_S2),
  };
  const below = [...forces.filter((f) => f.segment !== "thigh"), shankWeight];
  const kneeMomentNm = -below.reduce((sum, f) => sum + cross(f.atM, f.forceN), 0);
  const total = below.reduce((sum, f) => plus(sum, f.forceN), vector(0, 0));
  return {
    kneeFlexionDeg: posture.thighDeg - posture.shankDeg,
    hipFlexionDeg: halfTurn(posture.thighDeg - posture.trunkDeg + 180),
    kneeMomentNm,
    hipMomentNm: posture.thighSupported ? null : hipMoment(body, posture, [...forces, shankWeight]),
    ankleMomentNm: ankleMoment(body, distal, forces),
    externalShearN: dot(total, anterior),
    externalAxialN: dot(total, distal),
  };
}

/**
 * An angle between -120 and 240 degrees: prone and supine postures are turned by whole circles. No hip stretches back
 * by 120 degrees, and one that is bent furthest must not jump to the other end (corrections K6).
 */
const halfTurn = (deg: number): number => deg - 360 * Math.round((deg - 60) / 360);

function ankleMoment(body: Body, distal: Vector, forces: readonly ExternalForce[]): number {
  const ankle = times(distal, body.shankLengthM);
  return forces
    .filter((f) => f.segment === "foot")
    .reduce((sum, f) => sum + cross(minus(f.atM, ankle), f.forceN), 0);
}

function hipMoment(body: Body, posture: Posture, forces: readonly ExternalForce[]): number {
  const hip = times(unit(posture.thighDeg), -body.thighLengthM);
  const thighWeight: ExternalForce = {
    segment: "thigh",
    atM: plus(hip, times(unit(posture.thighDeg), body.thighComM)),
    forceN: vector(0, -body.thighMassKg * GRAVITY_M_S2),
  };
  return [...forces, thighWeight].reduce((sum, f) => sum + cross(minus(f.atM, hip), f.forceN), 0);
}
