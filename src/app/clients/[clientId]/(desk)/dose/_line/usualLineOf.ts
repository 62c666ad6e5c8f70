import type { Exercise } from "@/core/rules/exercises";
import type { AllowedArc } from "@/core/selection/fit/allowedArc";
import { legsAllowed } from "@/core/sheet/line/legs";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import type { HandedOver } from "../../../../_sheet/handedOver";
import { type LineStart, schemeOn } from "./ItemEditor";

/** The usual line of an exercise: holds where it is held, a stretch where it is one, else straight sets. */
export function usualLineOf(
  e: Exercise,
  open: { arc: AllowedArc } | null,
  h: Pick<HandedOver, "machineId" | "settings">,
  start: LineStart,
): ScoreLine {
  const kind = e.match.class === "stretch" ? "stretch" : e.match.static_hold ? "holds" : "straight";
  const made = schemeOn({ open }, e, kind, legsAllowed(e, kind)[0] ?? "together", start);
  return { exerciseId: e.id, sharesRests: false, ...made, machineId: h.machineId, settings: h.settings };
}
