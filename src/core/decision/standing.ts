import type { Decision } from "../progression/decide";
import type { ScoreLine } from "../sheet/line/scoreInput";
import type { NextLine } from "./lineChange";

/**
 * Whether a standing order lets this decision run by itself on a day: staying and stepping back always, stepping up only
 * where it says so and up to where it says. Anything that stops, is missing or stands at a bound waits for the therapist.
 */
export function runsByItself(
  line: ScoreLine,
  decision: Pick<Decision, "action" | "rules" | "tellsTherapist">,
  next: NextLine,
  /** what would really be set for it; null where nothing is or it is not known */
  set: { loadKg: number; isHelp: boolean } | null,
  today: string,
): boolean {
  const order = line.standingOrder;
  if (!order || today > order.untilOn || decision.tellsTherapist) return false;
  if (decision.action === "STOP_REFER" || decision.rules.includes("H9")) return false;
  if (next.changes.some((c) => ["at_goal", "at_least", "harder_form", "barred", "help"].includes(c.code)))
    return false;
  if (decision.action !== "PROGRESS") return true;
  if (order.allows !== "up" || !next.line) return false;
  return isWithinDeg(next.line, order.mostDeg) && isWithinKg(set, order.mostKg);
}

/** A ladder may lead down: further is then a smaller angle. */
function isWithinDeg({ scheme, ladder }: ScoreLine, mostDeg: number | null): boolean {
  if (mostDeg === null || scheme.kind !== "holds" || scheme.atDeg === null) return true;
  const leadsDown = ladder?.of === "angle" && ladder.toDeg < ladder.fromDeg;
  return leadsDown ? scheme.atDeg >= mostDeg : scheme.atDeg <= mostDeg;
}

/** Of help less is harder, so that a most says nothing of it; a load that is not known waits too. */
const isWithinKg = (set: { loadKg: number; isHelp: boolean } | null, mostKg: number | null): boolean =>
  mostKg === null || (set !== null && !set.isHelp && set.loadKg <= mostKg + 1e-6);
