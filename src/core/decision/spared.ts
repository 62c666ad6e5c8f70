import type { Exercise } from "../rules/exercises";
import { QUIET_AT_THE_KNEE, type SorePart } from "../sheet/effect/tissueDose";
import type { KeptLine } from "../sheet/line/keptLine";

/** Why a line stays when the joint is sore: nothing is loaded by it, or hardly any of the load is on what is sore. Rule P6. */
export type Spared = "unloaded" | "elsewhere";

/** A line with so small a share of the visit's load on the joint did not make it sore. Rule P6. */
const LEAST_SHARE = 0.1;
/**
 * Whether a line of a visit after which the joint is sore stays as it is. What hurt while it was done is never spared, nor is
 * what nobody can tell. Rule P6.
 */
export function sparedOf(
  line: Pick<KeptLine, "kind" | "kneecapChairS">,
  e: Pick<Exercise, "match" | "lumbar"> | null,
  visit: { sore: SorePart; lines: readonly Pick<KeptLine, "kneecapChairS">[]; hurt: boolean },
): Spared | null {
  if (line.kind === "stretch" || e?.match.class === "stretch") return "unloaded";
  if (!e || visit.hurt) return null;
  if (visit.sore === "back") return e.lumbar.demand_0_3 === 0 ? "elsewhere" : null;
  if (visit.sore !== "knee" || !QUIET_AT_THE_KNEE.has(e.match.class)) return null;
  const all = visit.lines.reduce((sum, l) => sum + l.kneecapChairS, 0);
  return all > 0 && line.kneecapChairS / all > LEAST_SHARE ? null : "elsewhere";
}
