import type { Body } from "../../body/segments";
import { toRadians } from "../../units/clamp";
import { GRAVITY_M_S2 } from "../../units/mass";
import type { JointLoads } from "../inverseDynamics";
import { TISSUE_DEFAULTS } from "../kneeTissueLoads";
import { hipAvailableDeg, type LegState } from "../legState";
import { cross, length, minus, plus, times, unit, type Vector, vector } from "../vector";
import { trunkComM, trunkMassKg } from "../wholeBody";

/** Help from a counterweight: an arm that turns with the body, or a cord from the body to an anchor. */
export type KneelingAssist =
  | { kind: "lever"; massKg: number; leverM: number }
  | {
      kind: "cord";
      massKg: number;
      ratio: number;
      /** along the body from the knee, m */
      atM: number;
      /** from the knee, m */
      anchor: Vector;
    };

export interface KneelingCurlState extends LegState {
  /** moment of the help per leg, N·m */
  assistNm: number;
  /** the help is more than the body asks for: it would lift the person */
  assistTooLarge: boolean;
}

/** Where the lever's pad meets the trunk, above the hip, m. */
const PAD_ABOVE_HIP_M = 0.25;
/** Where the strap holds the ankle, as a share of the shank. */
const STRAP = 0.95;

/**
 * Kneeling lowering: the body above the knees, halved per leg; 90 degrees is upright. More counterweight makes it
 * lighter. The knee is taken as supported on the thigh's end. Source: mechanics rules 5.7.
 */
export function kneelingCurl(
  body: Body,
  kneeFlexionDeg: number,
  s: { hipBendDeg?: number; assist?: KneelingAssist | null } = {},
): KneelingCurlState {
  const thighDeg = kneeFlexionDeg - 180;
  const trunkDeg = thighDeg + 180 - (s.hipBendDeg ?? 0);
  const hip = times(unit(thighDeg), -body.thighLengthM);
  const weights = [
    {
      at: plus(hip, times(unit(thighDeg), body.thighComM)),
      forceN: vector(0, -2 * body.thighMassKg * GRAVITY_M_S2),
    },
  ];
  const trunk = {
    at: plus(hip, times(unit(trunkDeg), trunkComM(body))),
    forceN: vector(0, -trunkMassKg(body) * GRAVITY_M_S2),
  };
  const help = s.assist ? assistForce(body, kneeFlexionDeg, hip, trunkDeg, s.assist) : null;
  const above = [...weights, trunk, ...(help ? [help] : [])];
  const aboveHip = [trunk, ...(help?.isAboveHip ? [help] : [])];
  const kneeMomentNm = above.reduce((sum, f) => sum + cross(f.at, f.forceN), 0) / 2;
  const hipMomentNm = -aboveHip.reduce((sum, f) => sum + cross(minus(f.at, hip), f.forceN), 0) / 2;
  const joint: JointLoads = {
    kneeFlexionDeg,
    hipFlexionDeg: s.hipBendDeg ?? 0,
    kneeMomentNm,
    hipMomentNm,
    ankleMomentNm: 0,
    externalShearN: -kneeMomentNm / (STRAP * body.shankLengthM),
    externalAxialN: 0,
  };
  const available = hipAvailableDeg(body, kneeFlexionDeg);
  return {
    joint,
    chain: "open",
    coactivation: TISSUE_DEFAULTS.coactivation,
    hipAvailableDeg: available,
    pelvicTuckDeg: Math.max(0, joint.hipFlexionDeg - available),
    dorsiflexionDeg: null,
    heelLifts: false,
    assistNm: help ? cross(help.at, help.forceN) / 2 : 0,
    assistTooLarge: kneeMomentNm > 0,
  };
}

function assistForce(
  body: Body,
  kneeFlexionDeg: number,
  hip: Vector,
  trunkDeg: number,
  a: KneelingAssist,
): { at: Vector; forceN: Vector; isAboveHip: boolean } {
  if (a.kind === "cord") {
    const alongThigh = Math.min(a.atM, body.thighLengthM);
    const isAboveHip = a.atM > body.thighLengthM;
    const at = plus(times(hip, alongThigh / body.thighLengthM), times(unit(trunkDeg), a.atM - alongThigh));
    const toAnchor = minus(a.anchor, at);
    const tensionN = a.massKg * GRAVITY_M_S2 * a.ratio;
    return { at, forceN: times(toAnchor, tensionN / length(toAnchor)), isAboveHip };
  }
  const momentNm = a.massKg * GRAVITY_M_S2 * a.leverM * Math.sin(toRadians(90 - kneeFlexionDeg));
  const at = plus(hip, times(unit(trunkDeg), PAD_ABOVE_HIP_M));
  const square = times(vector(-at.y, at.x), 1 / length(at));
  return { at, forceN: times(square, momentNm / length(at)), isAboveHip: true };
}
