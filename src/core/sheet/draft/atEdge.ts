import type { Exercise } from "../../rules/exercises";
import { tissueDose } from "../effect/tissueDose";
import type { KeptLine } from "../line/keptLine";
import type { ShortFor } from "./shortForm";

/** What offers may add to a line within one visit: a fifth of demand, and the ladder's repetitions [own]. Rule L8. */
const MAY_ADD = 0.25;

/** The lines of a day; those that load what is sore are offered more only where what that adds still fits what the joint takes. Rules L8, W4. */
export function withinEdge(
  lines: readonly KeptLine[],
  exerciseOf: (id: string) => Exercise | null,
  who: Pick<ShortFor, "sore" | "mostTissue">,
): KeptLine[] {
  const doses = lines.map((l) => tissueDose(l, exerciseOf(l.exerciseId), who.sore));
  const left = who.mostTissue - doses.reduce((sum, d) => sum + d, 0);
  return lines.map((l, i) => {
    const more = MAY_ADD * (doses[i] ?? 0);
    return more > 0 && more > left && l.offers ? { ...l, offers: null } : l;
  });
}
