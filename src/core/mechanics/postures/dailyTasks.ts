import type { Body } from "../../body/segments";
import { clamp, toRadians } from "../../units/clamp";
import { pressureAheadM } from "../footPressure";
import {
  flexionAtHipHeightDeg,
  freeSquatShankLeanDeg,
  HIP_ABOVE_SEAT_M,
  type StandingConfiguration,
  standing,
} from "./squat";

/** Past this the task is out of the model's reach. */
const MOST_FLEXION_DEG = 125;
const LEAST_SHANK_LEAN_DEG = 8;

const hipHeightM = (body: Body, kneeFlexionDeg: number, shankLeanDeg: number): number =>
  body.ankleHeightM +
  body.shankLengthM * Math.cos(toRadians(shankLeanDeg)) +
  body.thighLengthM * Math.cos(toRadians(kneeFlexionDeg - shankLeanDeg));

const risingLeanDeg = (body: Body, kneeFlexionDeg: number): number =>
  clamp(20 + 0.4 * (kneeFlexionDeg - 90), LEAST_SHANK_LEAN_DEG, body.dorsiflexionMaxDeg);

/** On the way up from a seat, at a knee angle. Mechanics rules 5.10. */
export function rising(
  body: Body,
  kneeFlexionDeg: number,
  s: { share?: number; armsForward?: boolean } = {},
): StandingConfiguration {
  return standing(body, kneeFlexionDeg, {
    shankLeanDeg: risingLeanDeg(body, kneeFlexionDeg),
    barKg: 0,
    share: s.share ?? 0.5,
    leanDeg: null,
    aheadM: 0.02,
    trunkForwardM: (s.armsForward ?? true) ? 0.05 : 0,
  });
}

/** Somebody spares a leg in rising by leaning so far and by leaving the other all but so much of the weight. Rule C [own]. */
const SPARING_LEAN_DEG = 45;
export const LEAST_SPARED_SHARE = 0.3;
/** Of a stair a leg that is spared takes so much: the lower foot pushes off for the rest [own]. */
export const SPARED_STEP_SHARE = 0.7;

/** The same with a leg spared: the trunk leant at least 45° and the weight over it, no further ahead than the ball of the foot. */
export function risingSpared(body: Body, kneeFlexionDeg: number, share: number): StandingConfiguration {
  const usual = rising(body, kneeFlexionDeg, { share });
  if (usual.leanDeg >= SPARING_LEAN_DEG) return usual;
  const by = (leanDeg: number | null, aheadM: number) =>
    standing(body, kneeFlexionDeg, {
      ...{ shankLeanDeg: risingLeanDeg(body, kneeFlexionDeg), barKg: 0, share, leanDeg, aheadM },
      trunkForwardM: 0.05,
    });
  const leant = by(SPARING_LEAN_DEG, 0);
  const ballM = pressureAheadM(body, "ball");
  return leant.pressureAheadM <= ballM ? leant : by(null, ballM);
}

/** Knee flexion at the moment the weight comes off a seat; null when the seat is too low or too high for the body. */
export const seatOffDeg = (body: Body, seatM: number): number | null =>
  flexionAtHipHeightDeg(
    (t) => hipHeightM(body, t, risingLeanDeg(body, t)),
    seatM + HIP_ABOVE_SEAT_M,
    5,
    MOST_FLEXION_DEG,
  );

/** Rising from a seat at the moment the weight is on the feet; null when the seat is too low. Mechanics rules 5.10. */
export function sitToStand(
  body: Body,
  s: { seatM: number; share?: number; armsForward?: boolean },
): StandingConfiguration | null {
  const deg = seatOffDeg(body, s.seatM);
  return deg === null ? null : rising(body, deg, s);
}

/** How far behind the upper foot the mass stands per share that the lower foot carries, m. */
const LOWER_FOOT_BEHIND_M = 0.35;

/** Knee flexion of the leg on a step while the other foot is on the floor below; null when the riser is too high. */
export function stepDeg(body: Body, riserM: number): number | null {
  const straight = (body.thighLengthM + body.shankLengthM) * Math.cos(toRadians(15));
  return flexionAtHipHeightDeg(
    (t) => hipHeightM(body, t, freeSquatShankLeanDeg(body, t)),
    body.ankleHeightM + straight + 0.04 - riserM,
    5,
    MOST_FLEXION_DEG,
  );
}

/** The leg on the step at a knee angle, carrying its share; the rest stands behind and below. Mechanics rules 5.10. */
export const onStep = (body: Body, kneeFlexionDeg: number, share: number): StandingConfiguration =>
  standing(body, kneeFlexionDeg, {
    shankLeanDeg: freeSquatShankLeanDeg(body, kneeFlexionDeg),
    barKg: 0,
    share,
    leanDeg: null,
    aheadM: pressureAheadM(body, "mid"),
    massBehindM: (1 - share) * LOWER_FOOT_BEHIND_M,
  });

/** The upper leg at the start of a step up; null when the riser is too high. Mechanics rules 5.10. */
export function stepUp(body: Body, s: { riserM: number; share?: number }): StandingConfiguration | null {
  const deg = stepDeg(body, s.riserM);
  return deg === null ? null : onStep(body, deg, s.share ?? 0.9);
}
