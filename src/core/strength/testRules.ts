import { type Said, saidWith } from "../units/said";
import type { Movement } from "./movements";

/** What is known of the client that bars or bounds a maximal strength test. */
export interface TestCircumstances {
  /** conditions of the episode that are still open, with full weeks since surgery or onset */
  conditions: readonly { conditionId: string; variantId: string; weeks: number }[];
  side: "involved" | "other";
}

const LIGAMENT_OR_MENISCUS = ["acl_reconstruction", "meniscus_repair"];
const EARLY_WEEKS = 12;
const HAMSTRING_GRAFT_WEEKS = 16;

/** What stops further pushes of a test, with what to do; null: none hurt above what is allowed. */
export function painStopsTest(pains: readonly (number | null | undefined)[], painMax: number): Said | null {
  const worst = Math.max(-1, ...pains.map((p) => p ?? -1));
  return worst > painMax ? saidWith("due.pain_stops", { pain: worst, most: painMax }) : null;
}

/**
 * Why a maximal isometric test must not be done at this angle, with what to do; null when nothing bars it. Source:
 * definitions.symmetry_test_method of the condition data. The other leg is tested freely.
 */
export function testBarred(m: Movement, kneeFlexionDeg: number, c: TestCircumstances): Said | null {
  if (c.side === "other") return null;
  for (const { conditionId, variantId, weeks } of c.conditions) {
    if (
      m === "knee_extension" &&
      LIGAMENT_OR_MENISCUS.includes(conditionId) &&
      weeks < EARLY_WEEKS &&
      (kneeFlexionDeg < 60 || kneeFlexionDeg > 90)
    )
      return saidWith("due.early_quadriceps", { week: EARLY_WEEKS });
    if (
      m === "knee_flexion" &&
      conditionId === "acl_reconstruction" &&
      variantId === "hamstring_graft" &&
      weeks < HAMSTRING_GRAFT_WEEKS
    )
      return saidWith("due.hamstring_graft", { week: HAMSTRING_GRAFT_WEEKS });
    if (conditionId === "pcl_injury" && m === "knee_extension" && kneeFlexionDeg > 60)
      return { code: "due.rear_cruciate" };
  }
  return null;
}
