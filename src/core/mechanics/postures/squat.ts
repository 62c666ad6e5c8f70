import type { Body } from "../../body/segments";
import { findRoot } from "../../units/findRoot";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type Pressure, pressureAheadM, solePoint } from "../footPressure";
import type { LegConfiguration } from "../legState";
import { linkagePosture } from "../linkage";
import { plus, times, unit, type Vector, vector } from "../vector";
import { balancedLean, massCentreX, massPoints, standingPoints, weightMomentNm } from "../wholeBody";

/** A standing exercise, with what the balance of the whole body gave. */
export interface StandingConfiguration extends LegConfiguration {
  /** trunk from upright, forward positive, degrees */
  leanDeg: number;
  /** force under the foot, ahead of the ankle, m */
  pressureAheadM: number;
  hipHeightM: number;
  /** no lean keeps the mass over the foot: momentum or hands are needed */
  isBalanced: boolean;
}

/** How far the shank leans per degree of knee flexion in a free squat. */
const SHANK_LEAN_PER_DEG = 0.33;

/** Force on the sole of one foot that stands flat, relative to the knee. */
const onSole = (body: Body, shankDeg: number, aheadM: number, forceN: Vector) => ({
  segment: "foot" as const,
  atM: plus(times(unit(shankDeg), body.shankLengthM), solePoint(body, 0, aheadM)),
  forceN,
});

export interface StandingInput {
  shankLeanDeg: number;
  barKg: number;
  share: number;
  /** null: found from balance over the pressure point */
  leanDeg: number | null;
  aheadM: number;
  trunkForwardM?: number;
  /** the mass stands so far behind the pressure point, because the other foot carries the rest */
  massBehindM?: number;
}

/** A leg of a person who stands on a flat foot, weight through the sole; trunk or pressure from balance. */
export function standing(body: Body, kneeFlexionDeg: number, s: StandingInput): StandingConfiguration {
  const shankDeg = -90 - s.shankLeanDeg;
  const thighDeg = shankDeg + kneeFlexionDeg;
  const at = (leanDeg: number) => ({ thighDeg, shankDeg, trunkDeg: 90 - leanDeg });
  const centreX = (leanDeg: number) => massCentreX(massPoints(body, at(leanDeg), s.barKg, s.trunkForwardM));
  const found =
    s.leanDeg === null
      ? balancedLean((lean) => centreX(lean) - (s.aheadM - (s.massBehindM ?? 0)))
      : { leanDeg: s.leanDeg, isBalanced: true };
  const aheadM = s.leanDeg === null ? s.aheadM : centreX(found.leanDeg);
  const weight = s.share * (body.massKg + s.barKg) * GRAVITY_M_S2;
  return {
    posture: { ...at(found.leanDeg), thighSupported: false },
    footDeg: 0,
    forces: [onSole(body, shankDeg, aheadM, vector(0, weight))],
    chain: "closed",
    leanDeg: found.leanDeg,
    pressureAheadM: aheadM,
    hipHeightM: standingPoints(body, at(found.leanDeg)).hip.y,
    isBalanced: found.isBalanced,
  };
}

export const freeSquatShankLeanDeg = (body: Body, kneeFlexionDeg: number): number =>
  Math.min(body.dorsiflexionMaxDeg, SHANK_LEAN_PER_DEG * kneeFlexionDeg);

/** A free squat, half squat or crouch; a bar lies on the shoulders. Source: mechanics rules 5.3. */
export function freeSquat(
  body: Body,
  kneeFlexionDeg: number,
  s: { barKg?: number; share?: number; leanDeg?: number | null } = {},
): StandingConfiguration {
  return standing(body, kneeFlexionDeg, {
    shankLeanDeg: freeSquatShankLeanDeg(body, kneeFlexionDeg),
    barKg: s.barKg ?? 0,
    share: s.share ?? 0.5,
    leanDeg: s.leanDeg ?? null,
    aheadM: pressureAheadM(body, "mid"),
  });
}

export interface GuidedSquatSettings {
  /** feet ahead of the rail, m */
  feetForwardM: number;
  barKg: number;
  leanDeg?: number;
  share?: number;
  pressure?: Pressure;
}

export interface GuidedConfiguration extends StandingConfiguration {
  /** the rail's push on the bar, forward positive, N, both legs together */
  railForceN: number;
  /** friction the feet need on the floor, as a share of the weight */
  frictionNeeded: number;
}

/** A bar on vertical rails: the rail carries what balance would not. Source: mechanics rules 5.3. */
export function guidedSquat(body: Body, kneeFlexionDeg: number, s: GuidedSquatSettings): GuidedConfiguration {
  const { thighDeg, shankDeg } = linkagePosture(body, kneeFlexionDeg, -90, s.feetForwardM);
  const leanDeg = s.leanDeg ?? 0;
  const posture = { thighDeg, shankDeg, trunkDeg: 90 - leanDeg };
  const aheadM = pressureAheadM(body, s.pressure ?? "mid");
  const points = standingPoints(body, posture);
  const railForceN = -weightMomentNm(massPoints(body, posture, s.barKg), aheadM) / points.shoulder.y;
  const weight = (body.massKg + s.barKg) * GRAVITY_M_S2;
  const share = s.share ?? 0.5;
  return {
    posture: { ...posture, thighSupported: false },
    footDeg: 0,
    forces: [onSole(body, shankDeg, aheadM, vector(-share * railForceN, share * weight))],
    chain: "closed",
    leanDeg,
    pressureAheadM: aheadM,
    hipHeightM: points.hip.y,
    isBalanced: true,
    railForceN,
    frictionNeeded: Math.abs(railForceN) / weight,
  };
}

/** Hip centre above the surface of a seat or bench, m [assumed]. */
export const HIP_ABOVE_SEAT_M = 0.085;

/** Knee flexion at which the hip is so high, searched between two angles; null when it never is. */
export function flexionAtHipHeightDeg(
  hipHeightAt: (kneeFlexionDeg: number) => number,
  heightM: number,
  fromDeg = 5,
  toDeg = 125,
): number | null {
  if (hipHeightAt(fromDeg) < heightM || hipHeightAt(toDeg) > heightM) return null;
  return findRoot((deg) => hipHeightAt(deg) - heightM, fromDeg, toDeg);
}

/** Split squat and lunge, front leg. Source: mechanics rules 5.11. */
export function splitSquat(
  body: Body,
  kneeFlexionDeg: number,
  s: { shankLeanDeg?: number; leanDeg?: number; share?: number; loadKg?: number; braking?: number } = {},
): LegConfiguration {
  const shankDeg = -90 - (s.shankLeanDeg ?? 15);
  const weight = (s.share ?? 0.75) * (body.massKg + (s.loadKg ?? 0)) * GRAVITY_M_S2;
  return {
    posture: {
      thighDeg: shankDeg + kneeFlexionDeg,
      shankDeg,
      trunkDeg: 90 - (s.leanDeg ?? 0),
      thighSupported: false,
    },
    footDeg: 0,
    forces: [
      onSole(body, shankDeg, pressureAheadM(body, "mid"), vector(-(s.braking ?? 0.12) * weight, weight)),
    ],
    chain: "closed",
  };
}
