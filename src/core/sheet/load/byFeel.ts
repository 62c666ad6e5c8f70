import { BODY_WEIGHT } from "../../selection/setUp/machineFor";
import type { ComputedSetUp } from "../../selection/setUp/row";
import type { Scheme } from "../schemes/scheme";

/**
 * Whether nothing is set, because it is built up by feel. A felt hold of an untested leg against hands, or where not even
 * the lightest step is surely light enough: "no push, 0 kg" would be an order to do nothing. And whatever hands or a
 * strap hold at home, where nobody reads how many kilograms it is.
 */
export function isByFeel(
  s: Scheme,
  computed: ComputedSetUp | null,
  { isTested, isAtHome }: { isTested: boolean; isAtHome: boolean },
): boolean {
  if (computed === null || computed.how === BODY_WEIGHT) return false;
  const { family } = computed.chosen;
  const isHeldByHand = family.isHeldByHand === true;
  if (isAtHome && isHeldByHand) return true;
  const isFelt = s.kind === "holds" && s.effort.kind === "felt";
  return isFelt && !isTested && !family.isReversed && (isHeldByHand || computed.load === 0);
}
