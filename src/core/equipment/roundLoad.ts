import { roundTo } from "../units/clamp";
import { type LoadSteps, type Setting, settingsOf } from "./loadSteps";

/** `down`: after surgery or when easily stirred up. `nearest`: never more than 5 % above the target. Up does not exist. */
export type RoundingPolicy = "down" | "nearest";

export type RoundedLoad =
  | {
      load: number;
      massKg: number;
      how: string;
      /** achieved minus target, kg */
      error: number;
      errorPct: number;
      /** coarse: more than 5 % away from what was wanted */
      flag: "ok" | "coarse";
    }
  | { load: null; flag: "lightest setting is already above target"; lightest: number; heaviest: number };

/** `nearest` never exceeds the target by more than this. */
export const MOST_ABOVE = 1.05;
const COARSE_PCT = 5;

/**
 * The real setting for a wanted load (kg). Always reports what is achieved and the error; a target below the
 * lightest setting gives null with the lightest, never a silent step up. Source: dosing rules D3.
 */
export function roundLoad(steps: LoadSteps, targetKg: number, policy: RoundingPolicy): RoundedLoad {
  const settings = settingsOf(steps);
  const lightest = settings[0] as Setting;
  const heaviest = settings[settings.length - 1] as Setting;
  const chosen = chooseStep(settings, (s) => s.kg, targetKg, policy);
  if (!chosen)
    return {
      load: null,
      flag: "lightest setting is already above target",
      lightest: roundTo(lightest.kg, 3),
      heaviest: roundTo(heaviest.kg, 3),
    };
  const errorPct = ((chosen.kg - targetKg) / targetKg) * 100;
  return {
    load: roundTo(chosen.kg, 3),
    massKg: chosen.massKg,
    how: chosen.how,
    error: roundTo(chosen.kg - targetKg, 3),
    errorPct: roundTo(errorPct, 2),
    flag: Math.abs(errorPct) > COARSE_PCT ? "coarse" : "ok",
  };
}

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
