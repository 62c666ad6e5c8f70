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
  const chosen = choose(settings, targetKg, policy);
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

function choose(settings: Setting[], targetKg: number, policy: RoundingPolicy): Setting | null {
  const tolerance = 1e-9;
  let below: Setting | null = null;
  let above: Setting | null = null;
  for (const s of settings) {
    if (s.kg <= targetKg + tolerance) below = s;
    else {
      above = s;
      break;
    }
  }
  if (policy === "nearest" && above && above.kg <= targetKg * MOST_ABOVE) {
    // a tie goes to the lighter one
    if (!below || above.kg - targetKg < targetKg - below.kg) return above;
  }
  return below;
}
