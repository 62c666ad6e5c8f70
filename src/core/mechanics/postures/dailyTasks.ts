import type { Body } from "../../body/segments";
import { clamp, toRadians } from "../../units/clamp";
import { pressureAheadM } from "../footPressure";
import { DORSIFLEXION_MAX_DEG } from "../legState";
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

/** Rising from a seat at the moment the weight is on the feet; null when the seat is too low. Mechanics rules 5.10. */
export function sitToStand(
  body: Body,
  s: { seatM: number; share?: number; armsForward?: boolean },
): StandingConfiguration | null {
  const lean = (deg: number) => clamp(20 + 0.4 * (deg - 90), LEAST_SHANK_LEAN_DEG, DORSIFLEXION_MAX_DEG);
  const deg = flexionAtHipHeightDeg(
    (t) => hipHeightM(body, t, lean(t)),
    s.seatM + HIP_ABOVE_SEAT_M,
    5,
    MOST_FLEXION_DEG,
  );
  if (deg === null) return null;
  return standing(body, deg, {
    shankLeanDeg: lean(deg),
    barKg: 0,
    share: s.share ?? 0.5,
    leanDeg: null,
    aheadM: 0.02,
    trunkForwardM: (s.armsForward ?? true) ? 0.05 : 0,
  });
}

/** How far behind the upper foot the mass stands per share that the lower foot carries, m. */
const LOWER_FOOT_BEHIND_M = 0.35;

/** The upper leg at the start of a step up; null when the riser is too high. Mechanics rules 5.10. */
export function stepUp(body: Body, s: { riserM: number; share?: number }): StandingConfiguration | null {
  const share = s.share ?? 0.9;
  const straight = (body.thighLengthM + body.shankLengthM) * Math.cos(toRadians(15));
  const deg = flexionAtHipHeightDeg(
    (t) => hipHeightM(body, t, freeSquatShankLeanDeg(t)),
    body.ankleHeightM + straight + 0.04 - s.riserM,
    5,
    MOST_FLEXION_DEG,
  );
  if (deg === null) return null;
  return standing(body, deg, {
    shankLeanDeg: freeSquatShankLeanDeg(deg),
    barKg: 0,
    share,
    leanDeg: null,
    aheadM: pressureAheadM(body, "mid"),
    massBehindM: (1 - share) * LOWER_FOOT_BEHIND_M,
  });
}
