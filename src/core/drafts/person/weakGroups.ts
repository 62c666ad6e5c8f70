import { type DatedStrength, pairedStrength } from "../../measure/findings";
import type { Movement } from "../../strength/movements";
import { limbSymmetry } from "../../strength/symmetry";
import type { Side } from "../../units/fields";
import type { WeakGroup } from "../draftFacts";

/** Below this share of the other leg a group gets more work. Source: draft rules, weak_group. */
const WEAK_BELOW_PCT: readonly (readonly [WeakGroup, Movement, number])[] = [
  ["quadriceps", "knee_extension", 80],
  ["hamstrings", "knee_flexion", 80],
  ["hip_abductors", "hip_abduction", 85],
  ["calf", "calf", 80],
];

/** What both legs' tests say is weaker on the involved side; what cannot be told apart is not among them. */
export const weakGroups = (tests: readonly DatedStrength[], involved: Side): WeakGroup[] =>
  WEAK_BELOW_PCT.flatMap(([group, movement, below]) => {
    const pair = pairedStrength(tests, movement, involved);
    const found = pair && limbSymmetry(pair.involvedNm, pair.otherNm);
    return found && found.lsiPct < below && found.highPct < 100 ? [group] : [];
  });
