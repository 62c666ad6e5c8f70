import { kFactorUnbounded, type Lift, REPETITION_MULTIPLIER } from "../../strength/repetitionMaximum";
import { InputError } from "../../units/inputError";

/** Load for so many repetitions with so many left, from a one-repetition maximum. Inverse of the test. Dosing rules D2. */
export function workingLoad(oneRepMax: number, reps: number, reserve: number, lift: Lift = "other"): number {
  return oneRepMax / kFactorUnbounded((reps + reserve) / REPETITION_MULTIPLIER[lift]);
}

/** Repetitions that a share of the maximum allows when fresh: the inverse of the same formulas. Dosing rules D5. */
export function repetitionsPossible(shareOfMax: number): number {
  if (!(shareOfMax > 0 && shareOfMax <= 1))
    throw new InputError("shareOfMax", { code: "input.set_load_range" });
  const known = possible.get(shareOfMax);
  if (known !== undefined) return known;
  const wanted = 1 / shareOfMax;
  let [low, high] = [1, 2];
  while (kFactorUnbounded(high) < wanted && high < 1000) high *= 2;
  while (high - low > 1e-9) {
    const middle = (low + high) / 2;
    if (kFactorUnbounded(middle) < wanted) low = middle;
    else high = middle;
  }
  const found = (low + high) / 2;
  if (possible.size >= MOST_KEPT) possible.clear();
  possible.set(shareOfMax, found);
  return found;
}

// the same few shares are asked for every repetition of every set
const possible = new Map<number, number>();
const MOST_KEPT = 2000;

const MOST_REPS = 20;

export interface JumpPlan {
  jumpPct: number;
  /** repetitions needed now before the heavier step keeps the bottom of the range; null: none up to 20 */
  repsNeeded: number | null;
  repsAfter: number | null;
}

/** What a step to the next real load asks for first. Dosing rules D4. */
export function jumpPlan(load: number, next: number, bottomReps: number, reserve: number): JumpPlan {
  const jump = next / load;
  const needed = jump * kFactorUnbounded(bottomReps + reserve);
  let repsNeeded: number | null = null;
  for (let n = bottomReps; n <= MOST_REPS && repsNeeded === null; n++)
    if (kFactorUnbounded(n + reserve) >= needed - 1e-12) repsNeeded = n;
  return {
    jumpPct: (jump - 1) * 100,
    repsNeeded,
    repsAfter: repsNeeded === null ? null : bottomReps,
  };
}
