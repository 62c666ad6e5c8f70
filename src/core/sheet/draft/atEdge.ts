import type { Exercise } from "../../rules/exercises";
import { tissueDose } from "../effect/tissueDose";
import type { KeptLine } from "../line/keptLine";
import type { ShortFor } from "./shortForm";

/** What offers may add to a line within one visit: a fifth of demand, and the ladder's repetitions [own]. Rule L8. */
const MAY_ADD = 0.25;

/** The lines of a day; those that load what is sore are offered more only while what it adds is still within what the joint takes. Rules L8, W4. */
export function withinEdge(
  lines: readonly KeptLine[],
  exerciseOf: (id: string) => Exercise | null,
  who: Pick<ShortFor, "sore" | "mostTissue">,
): KeptLine[] {
  const doses = lines.map((l) => tissueDose(l, exerciseOf(l.exerciseId), who.sore));
  let left = who.mostTissue - doses.reduce((sum, d) => sum + d, 0);
  return lines.map((l, i) => {
    const more = MAY_ADD * (doses[i] ?? 0);
    if (more === 0 || !l.offers) return l;
    if (more > left) return { ...l, offers: null };
    left -= more;
    return l;
  });
}
