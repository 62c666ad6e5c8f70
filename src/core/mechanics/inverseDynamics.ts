import type { Body } from "../body/segments";
import { toRadians } from "../units/clamp";
import { GRAVITY_M_S2 } from "../units/mass";
import type { Vector } from "./vector";

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
 * Points are relative to the knee; limb weights are added here. Written out in plain numbers: a search for a set-up asks
 * it millions of times.
 */
export function jointLoads(body: Body, posture: Posture, forces: readonly ExternalForce[]): JointLoads {
  const shank = toRadians(posture.shankDeg);
  const [dx, dy] = [Math.cos(shank), Math.sin(shank)];
  const [ankleX, ankleY] = [dx * body.shankLengthM, dy * body.shankLengthM];
  const thigh = toRadians(posture.thighDeg);
  const [tx, ty] = [Math.cos(thigh), Math.sin(thigh)];
  const [hipX, hipY] = [-tx * body.thighLengthM, -ty * body.thighLengthM];
  const shankN = -body.shankMassKg * GRAVITY_M_S2;
  const shankX = dx * body.shankComM;
  const thighN = -body.thighMassKg * GRAVITY_M_S2;
  // limb weights first, then every force: moments about knee, hip and ankle, and the sum below the knee
  let knee = shankX * shankN;
  let hip = (shankX - hipX) * shankN + tx * body.thighComM * thighN;
  let ankle = 0;
  let sumX = 0;
  let sumY = shankN;
  for (const { segment, atM, forceN } of forces) {
    hip += (atM.x - hipX) * forceN.y - (atM.y - hipY) * forceN.x;
    if (segment === "thigh") continue;
    knee += atM.x * forceN.y - atM.y * forceN.x;
    sumX += forceN.x;
    sumY += forceN.y;
    if (segment === "foot") ankle += (atM.x - ankleX) * forceN.y - (atM.y - ankleY) * forceN.x;
  }
  return {
    kneeFlexionDeg: posture.thighDeg - posture.shankDeg,
    hipFlexionDeg: halfTurn(posture.thighDeg - posture.trunkDeg + 180),
    kneeMomentNm: -knee,
    hipMomentNm: posture.thighSupported ? null : hip,
    ankleMomentNm: ankle,
    externalShearN: -sumX * dy + sumY * dx,
    externalAxialN: sumX * dx + sumY * dy,
  };
}

/**
 * An angle between -120 and 240 degrees: prone and supine postures are turned by whole circles. No hip stretches back
 * by 120 degrees, and one that is bent furthest must not jump to the other end (corrections K6).
 */
const halfTurn = (deg: number): number => deg - 360 * Math.round((deg - 60) / 360);
