import type { Exercise } from "../rules/exercises";
import type { Limit } from "../safety/limits";
import { tightest } from "../safety/tightest";
import { missingKilograms } from "../safety/weightBearingGaps";
import { GRAVITY_M_S2 } from "../units/mass";

/** What a surgeon's order leaves of weight on the leg, for presses and standing work. */
export interface WeightOnLeg {
  /** most force through the foot, N; null where none is written */
  mostN: number | null;
  /** why presses are barred altogether; null where they are not */
  barsPresses: string | null;
}

export const FREE_WEIGHT: WeightOnLeg = { mostN: null, barsPresses: null };

export function weightOnLeg(limits: readonly Limit[], onDate: string): WeightOnLeg {
  const kg = tightest(limits, "weight_on_leg", onDate)?.high ?? null;
  return {
    mostN: kg === null ? null : kg * GRAVITY_M_S2,
    barsPresses: missingKilograms(limits, onDate),
  };
}

/** The sentence that bars an exercise for weight on the leg, null where nothing does. */
export const barredByWeight = (e: Exercise, w: WeightOnLeg): string | null =>
  e.match.weight_bearing_need === "press_adjustable" ? w.barsPresses : null;
