import type { Body } from "../body/segments";
import { type ExternalForce, type JointLoads, jointLoads, type Posture } from "./inverseDynamics";
import { type KneeTissueLoads, kneeTissueLoads, TISSUE_DEFAULTS } from "./kneeTissueLoads";

/** One leg in an exercise at one angle: how it stands and what acts on it. */
export interface LegConfiguration {
  posture: Posture;
  /** heel to toe, degrees; null where the foot hangs free */
  footDeg: number | null;
  forces: readonly ExternalForce[];
  chain: "open" | "closed";
}

/** What an exercise does to the leg at one angle, held still or moved slowly. */
export interface LegState {
  joint: JointLoads;
  /** muscle rules that hold, for who asks for the tissue loads */
  chain: LegConfiguration["chain"];
  coactivation: number;
  /** hip bend the pelvis allows here before it tips: error of 10 to 15 degrees until found on the client */
  hipAvailableDeg: number;
  /** how far the pelvis has to tip, degrees: the demand on the back to bend */
  pelvicTuckDeg: number;
  /** null where the foot hangs free */
  dorsiflexionDeg: number | null;
  /** the heel would have to lift */
  heelLifts: boolean;
}

/** Hamstrings let the hip bend this much further per degree of knee flexion (ratio of their levers). */
const HAMSTRING_COUPLING = 0.45;

/** Hip flexion available at a knee angle, degrees. Source: mechanics rules 4.2. */
export const hipAvailableDeg = (body: Body, kneeFlexionDeg: number): number =>
  Math.min(body.hipFlexionMaxDeg, body.straightLegRaiseDeg + HAMSTRING_COUPLING * kneeFlexionDeg);

/** How far the pelvis rolls by what was measured of this hip alone, degrees; the usual of adults says nothing here. */
export const knownTuckDeg = (body: Body, hipFlexionDeg: number, kneeFlexionDeg: number): number =>
  Math.max(
    0,
    body.measured?.hip ? hipFlexionDeg - body.hipFlexionMaxDeg : 0,
    body.measured?.raise ? hipFlexionDeg - body.straightLegRaiseDeg - HAMSTRING_COUPLING * kneeFlexionDeg : 0,
  );

/** Joint loads of a leg in a configuration; what the tissues carry is worked out apart, by `tissueOf`. */
export function legState(
  body: Body,
  c: LegConfiguration,
  coactivation = TISSUE_DEFAULTS.coactivation,
): LegState {
  const joint = jointLoads(body, c.posture, c.forces);
  const available = hipAvailableDeg(body, joint.kneeFlexionDeg);
  const dorsiflexionDeg = c.footDeg === null ? null : c.footDeg - c.posture.shankDeg - 90;
  return {
    joint,
    chain: c.chain,
    coactivation,
    hipAvailableDeg: available,
    pelvicTuckDeg: Math.max(0, joint.hipFlexionDeg - available),
    dorsiflexionDeg,
    heelLifts: dorsiflexionDeg !== null && dorsiflexionDeg > body.dorsiflexionMaxDeg,
  };
}

/** Muscle, kneecap-joint and shin loads of a solved leg. */
export const tissueOf = (s: Pick<LegState, "joint" | "chain" | "coactivation">): KneeTissueLoads =>
  kneeTissueLoads(s.joint, { ...TISSUE_DEFAULTS, chain: s.chain, coactivation: s.coactivation });
