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
  /** false: no posture keeps the mass over the foot, momentum or hands would be needed */
  isBalanced: boolean;
}

export function solveLeg(
  body: Body,
  configuration: LegConfiguration & { isBalanced?: boolean },
  coactivation = TISSUE_DEFAULTS.coactivation,
): SolvedLeg {
  const { posture, footDeg, forces, chain } = configuration;
  const isBalanced = configuration.isBalanced ?? true;
  return { state: legState(body, configuration, coactivation), posture, footDeg, forces, chain, isBalanced };
}
