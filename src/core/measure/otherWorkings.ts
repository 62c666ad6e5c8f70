import { estimate1RM, type Lift, REPETITION_MULTIPLIER } from "../strength/repetitionMaximum";
import { kgWords } from "../units/mass";
import type { Computed } from "../units/working/working";
import { sitToStandPowerW } from "./sitToStand";

/** Mean power of rising in 30 s, with its working; null where the chair is no chair for this body. */
export function powerComputed(p: {
  bodyMassKg: number;
  heightM: number;
  chairM: number;
  times: number;
}): Computed | null {
  const watts = sitToStandPowerW(p.bodyMassKg, p.heightM, p.chairM, p.times);
  if (watts === null) return null;
  return {
    value: Math.round(watts / 10) * 10,
    unit: "W",
    doubt: null,
    origin: "estimated",
    working: {
      formulaId: "measure.sit-to-stand-power",
      formula: "0.9 × body mass × 9.81 × (half the height − the chair) ÷ half the time of one rise",
      inputs: [
        { name: "body mass", value: kgWords(p.bodyMassKg), origin: "entered" },
        { name: "height", value: `${p.heightM} m`, origin: "entered" },
        { name: "chair", value: `${p.chairM} m`, origin: "entered" },
        { name: "rises in 30 s", value: String(p.times), origin: "measured" },
      ],
      source: "dosing rules F7",
      confidence: "medium",
      cannotTell: "How the two legs share it; it compares a person with themselves.",
    },
  };
}

/** One-repetition maximum from a set with some left, with its working; null where the set was too light. */
export function maximumComputed(p: {
  loadKg: number;
  reps: number;
  reserve: number;
  lift: Lift;
}): Computed | null {
  const e = estimate1RM(p.loadKg, p.reps, p.reserve, p.lift);
  if (e.value === null) return null;
  return {
    value: e.value,
    unit: "kg",
    doubt: e.value * (e.error ?? 0),
    origin: "estimated",
    working: {
      formulaId: "strength.repetition-maximum",
      formula:
        "load × mean of four formulas (Epley, Brzycki, Lombardi, Wathan) at the repetitions that the set would have reached",
      inputs: [
        { name: "load", value: kgWords(p.loadKg), origin: "measured" },
        { name: "repetitions done", value: String(p.reps), origin: "measured" },
        { name: "left in reserve", value: String(p.reserve), origin: "entered", from: "as the client said" },
        {
          name: "this lift allows more or fewer",
          value: `÷ ${REPETITION_MULTIPLIER[p.lift]}`,
          origin: "default",
        },
        { name: "repetitions it would have reached", value: (e.reff ?? 0).toFixed(1), origin: "estimated" },
      ],
      source: "dosing rules D1, D2",
      confidence: "medium",
      cannotTell:
        "A lift that nobody did: people understate what is left by about one, and more when many are.",
    },
  };
}
