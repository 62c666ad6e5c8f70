import type { Exercise } from "../../rules/exercises";
import { legsAllowed } from "../line/legs";
import type { SchemeFacts } from "../schemes/gates";

/** What is known of a client for every scheme; the exercise adds the rest. */
export type ClientSchemeFacts = Pick<
  SchemeFacts,
  "isPostOp" | "isNovice" | "isLate" | "irritability" | "lastPain" | "daysSinceAccumulated"
>;

export const schemeFactsOf = (
  client: ClientSchemeFacts,
  e: Exercise,
  accumulatedInSession: number,
): SchemeFacts => ({
  ...client,
  accumulatedInSession,
  canBeHeld: e.match.static_hold || e.isometric.possible,
  isLoadable: e.match.load_floor !== "limb",
  isStretch: e.match.class === "stretch",
  isMoved: !e.match.static_hold,
  isOneLeggedMachine: e.match.is_machine && !legsAllowed(e, "straight").includes("together"),
  travels: /lane|clear 10/.test(e.equipment),
});
