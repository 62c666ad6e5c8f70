import type { InForce } from "../../bounds/inForce";
import { missingKilograms } from "../../bounds/weightOrders";
import { type Exercise, likeOf } from "../../rules/exercises";
import { GRAVITY_M_S2 } from "../../units/mass";
import type { Said } from "../../units/said";

/** What a surgeon's order leaves of weight on the leg, for presses and standing work. */
export interface WeightOnLeg {
  /** most force through the foot, N; null where none is written */
  mostN: number | null;
  /** why presses are barred altogether; null where they are not */
  barsPresses: Said | null;
}

export function weightOnLeg(bounds: InForce): WeightOnLeg {
  const kg = bounds.weight_on_leg?.high ?? null;
  return { mostN: kg === null ? null : kg * GRAVITY_M_S2, barsPresses: missingKilograms(bounds) };
}

/** What bars an exercise for weight on the leg, null where nothing does. */
export const barredByWeight = (e: Exercise, w: WeightOnLeg): Said | null =>
  e.match.weight_bearing_need === "press_adjustable" || likeOf(e) === "calf_press" ? w.barsPresses : null;
