import type { Said } from "../units/said";
import type { InForce } from "./inForce";
import type { Limit } from "./limit";
import { isInForce } from "./limit";

const FRACTURE = "post_fracture";

/** Without an order on file a fracture bears no weight (conditions data, "how it is built"). */
export function missingWeightOrder(
  conditionIds: readonly string[],
  written: readonly Limit[],
  onDate: string,
): Limit | null {
  const hasOrder = written.some(
    (l) => l.kind === "weight_bearing" && l.origin === "surgeon" && isInForce(l, onDate),
  );
  if (!conditionIds.includes(FRACTURE) || hasOrder) return null;
  return {
    id: "no-weight-order",
    kind: "weight_bearing",
    low: null,
    high: null,
    word: "non",
    names: [],
    origin: "condition",
    reason: "bound.no_order",
    endsOn: null,
  };
}

/** Partial weight without kilograms in writing bars presses: said, null when nothing is missing. */
export function missingKilograms(bounds: InForce): Said | null {
  if (bounds.weight_bearing?.word !== "partial" || bounds.weight_on_leg) return null;
  return { code: "bound.no_kilograms" };
}
