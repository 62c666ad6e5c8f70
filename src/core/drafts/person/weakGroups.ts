import { type DatedStrength, pairedStrength } from "../../measure/findings";
import type { NeedOfGoal } from "../../measure/goalNeeds";
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

/** The muscle group that what a goal asks stands on, where it is one. */
const STANDS_ON: Readonly<Record<string, WeakGroup>> = {
  heel_raises: "calf",
  single_leg_balance: "hip_abductors",
  step_downs_30s: "quadriceps",
  sit_to_stand_30s: "quadriceps",
  five_rises: "quadriceps",
  stairs_time: "quadriceps",
  knee_extension: "quadriceps",
  knee_flexion: "hamstrings",
};

/** What was measured as weaker, led by what the largest gap of a goal stands on. Rule "Measured 5". */
export function withGap(weak: readonly WeakGroup[], gap: NeedOfGoal | null): WeakGroup[] {
  const led = gap && STANDS_ON[gap.measure];
  return led ? [led, ...weak.filter((w) => w !== led)] : [...weak];
}
