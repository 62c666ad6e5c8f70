import type { Worn } from "../selection/setUp/aid";
import type { VisitState } from "./run";

/** The wrap goes on so long before the next set [own]. */
const WRAP_ON_BEFORE_S = 20;

/** A tight wrap is on for the set and off in every rest; null where none is worn, or nothing is to be done about it now. */
export function wrapNow(worn: Worn, phase: VisitState["phase"], restS: number): "off" | "on" | null {
  if (worn !== "tight_wrap" || phase === "working" || phase === "finished") return null;
  return phase === "rating" || phase === "closing" || restS > WRAP_ON_BEFORE_S ? "off" : "on";
}
