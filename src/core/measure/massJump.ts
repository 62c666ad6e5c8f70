import { kgWords } from "../units/mass";
import { type Said, saidWith } from "../units/said";

/** A body mass that is so much off the last one is a slip of the key rather than a body [own]. */
const MOST_SHARE = 0.25;

/** Why a body mass is not believed; null where it is. Whoever is sure writes it in the story. Rule "Measured 2". */
export const massJump = (lastKg: number, nowKg: number): Said | null =>
  Math.abs(nowKg - lastKg) > MOST_SHARE * lastKg
    ? saidWith("input.mass_jump", { last: kgWords(lastKg) })
    : null;
