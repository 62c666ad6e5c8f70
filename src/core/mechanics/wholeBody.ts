import type { Body } from "../body/segments";
import { findRoot } from "../units/findRoot";
import { GRAVITY_M_S2 } from "../units/mass";
import { minus, plus, times, unit, type Vector, vector } from "./vector";

/** A standing posture with both legs alike: directions, and the ankle's height above the floor is the foot's. */
export interface StandingPosture {
  thighDeg: number;
  shankDeg: number;
  trunkDeg: number;
}

export interface StandingPoints {
  ankle: Vector;
  knee: Vector;
  hip: Vector;
  /** shoulder, where a bar lies */
  shoulder: Vector;
}

/** Height of the centre of mass of head, arms and trunk above the hip, and of the shoulder, as shares of body height. */
const TRUNK_COM = 0.626 * 0.288;
const SHOULDER = 0.288;
/** Share of body mass of head, arms and trunk. */
const TRUNK_MASS = 0.678;

/** Points of a standing posture, m; the origin is on the floor below the ankle, x forward, y up. */
export function standingPoints(body: Body, p: StandingPosture): StandingPoints {
  const ankle = vector(0, body.ankleHeightM);
  const knee = minus(ankle, times(unit(p.shankDeg), body.shankLengthM));
  const hip = minus(knee, times(unit(p.thighDeg), body.thighLengthM));
  return { ankle, knee, hip, shoulder: plus(hip, times(unit(p.trunkDeg), SHOULDER * body.heightM)) };
}

export interface MassPoint {
  massKg: number;
  at: Vector;
}

/** Both legs, the trunk, and a bar on the shoulders. `trunkForwardM` shifts the trunk's mass: arms held out. */
export function massPoints(body: Body, p: StandingPosture, barKg = 0, trunkForwardM = 0): MassPoint[] {
  const { knee, hip, shoulder } = standingPoints(body, p);
  return [
    { massKg: 2 * body.shankMassKg, at: plus(knee, times(unit(p.shankDeg), body.shankComM)) },
    { massKg: 2 * body.thighMassKg, at: plus(hip, times(unit(p.thighDeg), body.thighComM)) },
    {
      massKg: TRUNK_MASS * body.massKg,
      at: plus(plus(hip, times(unit(p.trunkDeg), TRUNK_COM * body.heightM)), vector(trunkForwardM, 0)),
    },
    { massKg: barKg, at: shoulder },
  ];
}

export const trunkMassKg = (body: Body): number => TRUNK_MASS * body.massKg;
export const trunkComM = (body: Body): number => TRUNK_COM * body.heightM;

/** Horizontal place of the centre of mass, m. */
export function massCentreX(points: readonly MassPoint[]): number {
  const total = points.reduce((sum, m) => sum + m.massKg, 0);
  return points.reduce((sum, m) => sum + m.massKg * m.at.x, 0) / total;
}

/** Moment of all weights about a point of the floor, N·m, as sum of weight times horizontal distance. */
export const weightMomentNm = (points: readonly MassPoint[], aboutX = 0): number =>
  points.reduce((sum, m) => sum + m.massKg * GRAVITY_M_S2 * (m.at.x - aboutX), 0);

const LEAST_LEAN_DEG = -30;
const MOST_LEAN_DEG = 70;

/**
 * The lean of the trunk (degrees from upright, forward positive) at which the centre of mass stands over `targetX`;
 * the nearer end when no lean between -30 and 70 degrees does it, with `isBalanced` false.
 */
export function balancedLean(offsetX: (leanDeg: number) => number): { leanDeg: number; isBalanced: boolean } {
  const [low, high] = [LEAST_LEAN_DEG, MOST_LEAN_DEG];
  if (offsetX(low) > 0) return { leanDeg: low, isBalanced: false };
  if (offsetX(high) < 0) return { leanDeg: high, isBalanced: false };
  return { leanDeg: findRoot(offsetX, low, high), isBalanced: true };
}
