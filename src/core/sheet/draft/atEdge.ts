import type { Exercise } from "../../rules/exercises";
import { onSore, tissueDose } from "../effect/tissueDose";
import type { KeptLine } from "../line/keptLine";
import type { ShortFor } from "./shortForm";

/** From here on of what this joint takes nothing is offered harder in the visit. Rules L8, W4 [own]. */
const EDGE = 0.85;

/** The lines of a day; near the edge of what this joint takes those that load what is sore are run as planned. Rule L8. */
export function withinEdge(
  lines: readonly KeptLine[],
  exerciseOf: (id: string) => Exercise | null,
  who: Pick<ShortFor, "sore" | "mostTissue">,
): KeptLine[] {
  const dose = lines.reduce((sum, l) => sum + tissueDose(l, exerciseOf(l.exerciseId), who.sore), 0);
  if (dose <= EDGE * who.mostTissue) return [...lines];
  return lines.map((l) => (onSore(l, exerciseOf(l.exerciseId), who.sore) > 0 ? { ...l, offers: null } : l));
}
