/** `down`: after surgery or when easily stirred up. `nearest`: never more than 5 % above the target. Up does not exist. */
export type RoundingPolicy = "down" | "nearest";

/** `nearest` never exceeds the target by more than this. */
const MOST_ABOVE = 1.05;
/** The step that a policy allows for a target, of steps from light to heavy; null where even the lightest is above it. Dosing rules D3. */
export function chooseStep<T>(
  steps: readonly T[],
  of: (step: T) => number,
  target: number,
  policy: RoundingPolicy,
): T | null {
  const tolerance = 1e-9;
  const below = steps.findLast((s) => of(s) <= target + tolerance) ?? null;
  const above = steps.find((s) => of(s) > target + tolerance) ?? null;
  if (policy === "down" || above === null || of(above) > target * MOST_ABOVE) return below;
  // a tie goes to the lighter one
  return !below || of(above) - target < target - of(below) ? above : below;
}
