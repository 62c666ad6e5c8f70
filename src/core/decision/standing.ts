import type { Decision } from "../progression/decide";
import type { ScoreLine } from "../sheet/line/scoreInput";
import type { NextLine } from "./nextLine";

/**
 * Whether a standing order lets this decision run by itself on a day: staying and stepping back always, stepping up only
 * where it says so and up to where it says. Anything that stops, is missing or stands at a bound waits for the therapist.
 */
export function runsByItself(line: ScoreLine, decision: Decision, next: NextLine, today: string): boolean {
  const order = line.standingOrder;
  if (!order || today > order.untilOn || decision.tellsTherapist) return false;
  if (decision.action === "STOP_REFER" || decision.rules.includes("H9")) return false;
  if (next.changes.some((c) => c.code === "at_goal" || c.code === "at_least" || c.code === "harder_form"))
    return false;
  if (decision.action !== "PROGRESS") return true;
  if (order.allows !== "up" || !next.line) return false;
  const { scheme, loadKg } = next.line;
  if (order.mostDeg !== null && scheme.kind === "holds" && (scheme.atDeg ?? 0) > order.mostDeg) return false;
  return order.mostKg === null || (loadKg ?? 0) <= order.mostKg + 1e-6;
}
