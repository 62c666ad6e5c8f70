import { limbSymmetry } from "../strength/symmetry";
import type { KneeMovement } from "../strength/torqueAngleShape";
import type { Side } from "../units/fields";
import { type DatedStrength, pairedStrength } from "./findings";

/** The leg that is clearly weaker, and by how much of the other. */
export interface WeakerLeg {
  side: Side;
  byPct: number;
}

/** Null where nothing was tested on both sides, or the difference is within what a session's error makes. Dosing rules F1. */
export function weakerLeg(
  tests: readonly DatedStrength[],
  movement: KneeMovement,
  involved: Side,
): WeakerLeg | null {
  const pair = pairedStrength(tests, movement, involved);
  const found = pair && limbSymmetry(pair.involvedNm, pair.otherNm);
  if (!found) return null;
  const other: Side = involved === "left" ? "right" : "left";
  if (found.highPct < 100) return { side: involved, byPct: 100 - found.lsiPct };
  if (found.lowPct > 100) return { side: other, byPct: 100 - 10_000 / found.lsiPct };
  return null;
}
