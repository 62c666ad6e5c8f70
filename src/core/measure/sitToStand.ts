import { GRAVITY_M_S2 } from "../units/mass";

const AGES = [60, 65, 70, 75, 80, 85, 90] as const;
const BELOW: Record<"F" | "M", readonly number[]> = {
  F: [12, 11, 10, 10, 9, 8, 4],
  M: [14, 12, 12, 11, 10, 8, 7],
};

/**
 * The below-average cut of the 30-second sit-to-stand for an age, and whether a count is below it; null under 60, where
 * the table says nothing. Dosing rules F7 [high].
 */
export function sitToStandBelow(
  sex: "F" | "M",
  age: number,
  reps: number,
): { cut: number; below: boolean } | null {
  const row = AGES.filter((a) => age >= a).length - 1;
  const cut = BELOW[sex][row];
  return cut === undefined ? null : { cut, below: reps < cut };
}

/** Share of body mass that is lifted, and of the way it rises from chair height to half of standing height. */
const LIFTED_SHARE = 0.9;

/**
 * Mean power of rising in the 30-second test, W. `heightM` and `chairM` in metres. Dosing rules F7 [medium]; an estimate
 * that compares a person with themselves.
 */
export function sitToStandPowerW(
  bodyMassKg: number,
  heightM: number,
  chairM: number,
  reps: number,
): number | null {
  if (!(reps > 0)) return null;
  const riseM = heightM / 2 - chairM;
  return (LIFTED_SHARE * GRAVITY_M_S2 * bodyMassKg * riseM) / (30 / reps / 2);
}

/** Smallest change in the count that is more than chance: two to three. */
export const SIT_TO_STAND_REAL_CHANGE = 3;
