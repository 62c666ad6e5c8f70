import type { Worn } from "../selection/setUp/aid";
import type { VisitState } from "./run";

/** What a client wears at work: by the set-up cards of exercises, else as the story asks. */
export interface WornFacts {
  byCard: Readonly<Record<string, Worn>>;
  usual: Worn;
  /** by the school nothing is worn that nobody ordered, unless a card says so. Rule K22 */
  isBare: boolean;
}

/** A brace is an order; a sleeve and a wrap are wishes. */
export const wornAt = ({ byCard, usual, isBare }: WornFacts, exerciseId: string): Worn =>
  byCard[exerciseId] ?? (isBare && usual !== "brace" ? "none" : usual);

/** The wrap goes on so long before the next set [own]. */
const WRAP_ON_BEFORE_S = 20;

/** A tight wrap is on for the set and off in every rest; null where none is worn, or nothing is to be done about it now. */
export function wrapNow(worn: Worn, phase: VisitState["phase"], restS: number): "off" | "on" | null {
  if (worn !== "tight_wrap" || phase === "working" || phase === "finished") return null;
  return phase === "rating" || phase === "closing" || restS > WRAP_ON_BEFORE_S ? "off" : "on";
}
