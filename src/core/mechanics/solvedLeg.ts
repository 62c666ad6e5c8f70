import type { Body } from "../body/segments";
import type { ExternalForce, Posture } from "./inverseDynamics";
import { TISSUE_DEFAULTS } from "./kneeTissueLoads";
import { type LegConfiguration, type LegState, legState } from "./legState";

/** A leg at one angle with everything that is shown of it: loads, how it stands, what acts on it. */
export interface SolvedLeg {
  state: LegState;
  posture: Posture;
  /** heel to toe; null where the foot hangs free */
  footDeg: number | null;
  forces: readonly ExternalForce[];
  /** open: the foot is free; decides which muscle rules hold */
  chain: LegConfiguration["chain"];
}

export function solveLeg(
  body: Body,
  configuration: LegConfiguration,
  coactivation = TISSUE_DEFAULTS.coactivation,
): SolvedLeg {
  const { posture, footDeg, forces, chain } = configuration;
  return { state: legState(body, configuration, coactivation), posture, footDeg, forces, chain };
}
