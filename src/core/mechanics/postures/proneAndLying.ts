import type { Body } from "../../body/segments";
import { toRadians } from "../../units/clamp";
import { GRAVITY_M_S2 } from "../../units/mass";
import type { LegConfiguration, LegState } from "../legState";
import { legState } from "../legState";
import { plus, times, unit, vector } from "../vector";
import { cuffDistanceM } from "./kneeExtension";

export interface ReverseHipSettings {
  /** thigh below the level of the trunk: 90 hangs, 0 is in line */
  hangDeg: number;
  kneeFlexionDeg: number;
  /** pendulum mass and its arm */
  pendulumKg?: number;
  pendulumM?: number;
  legs?: 1 | 2;
  /** share of the moment that the table takes from the back: 0 pelvis free, about half with the table under it */
  support?: number;
}

/** From the hip to the joint below the lowest lumbar vertebra, m. */
const HIP_TO_BACK_M = 0.08;

/** Reverse hip extension, prone. Adds the moment at the low back, N·m. Source: mechanics rules 5.8. */
export function reverseHipExtension(body: Body, s: ReverseHipSettings): LegState & { backMomentNm: number } {
  const thighDeg = s.hangDeg - 180;
  const legs = s.legs ?? 2;
  const torqueNm =
    ((s.pendulumKg ?? 0) * GRAVITY_M_S2 * (s.pendulumM ?? 0) * Math.cos(toRadians(s.hangDeg))) / legs;
  const state = legState(body, {
    posture: { thighDeg, shankDeg: thighDeg - s.kneeFlexionDeg, trunkDeg: 0, thighSupported: false },
    footDeg: null,
    // square to the thigh at the knee, against lifting
    forces: [
      {
        segment: "thigh",
        atM: vector(0, 0),
        forceN: times(unit(thighDeg + 90), torqueNm / body.thighLengthM),
      },
    ],
    chain: "closed",
  });
  const legWeightN = (body.thighMassKg + body.shankMassKg) * GRAVITY_M_S2;
  const backMomentNm =
    (1 - (s.support ?? 0)) * legs * ((state.joint.hipMomentNm ?? 0) + legWeightN * HIP_TO_BACK_M);
  return { ...state, backMomentNm };
}

/** Straight-leg raise, face up: the hip bends against the leg's weight. Source: mechanics rules 5.11. */
export function straightLegRaise(body: Body, s: { hipDeg: number; cuffKg?: number }): LegConfiguration {
  return {
    posture: { thighDeg: s.hipDeg, shankDeg: s.hipDeg, trunkDeg: 180, thighSupported: false },
    footDeg: null,
    forces: [
      {
        segment: "shank",
        atM: times(unit(s.hipDeg), cuffDistanceM(body)),
        forceN: vector(0, -(s.cuffKg ?? 0) * GRAVITY_M_S2),
      },
    ],
    chain: "open",
  };
}

/** Moment of the outer hip in a side-lying or standing leg raise, N·m. Source: mechanics rules 5.11. */
export function sideRaiseMomentNm(body: Body, s: { abductionDeg: number; cuffKg?: number }): number {
  const { thighLengthM: lt } = body;
  const arm =
    body.thighMassKg * body.thighComM +
    body.shankMassKg * (lt + body.shankComM) +
    (s.cuffKg ?? 0) * (lt + cuffDistanceM(body));
  return arm * GRAVITY_M_S2 * Math.cos(toRadians(s.abductionDeg));
}

export type CalfLoad =
  | { kind: "standing"; loadKg?: number }
  | { kind: "press"; forceN: number }
  | { kind: "seated"; loadKg: number };

/** Plantarflexor moment over the ball of the foot, and its arm. Source: mechanics rules 5.9. */
export function calfRaise(
  body: Body,
  s: { plantarflexionDeg: number; load: CalfLoad; share?: number },
): { ankleMomentNm: number; armM: number } {
  const ball = plus(
    times(unit(-s.plantarflexionDeg), 0.47 * body.footLengthM),
    times(unit(-s.plantarflexionDeg - 90), body.ankleHeightM),
  );
  const { load } = s;
  const forceN =
    load.kind === "press"
      ? load.forceN
      : load.kind === "seated"
        ? load.loadKg * GRAVITY_M_S2
        : (body.massKg + (load.loadKg ?? 0)) * GRAVITY_M_S2;
  return { ankleMomentNm: forceN * (s.share ?? 0.5) * ball.x, armM: ball.x };
}
