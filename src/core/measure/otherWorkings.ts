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
      formula: { code: "work.sit_formula" },
      inputs: [
        { name: { code: "work.body_mass" }, value: kgWords(p.bodyMassKg), origin: "entered" },
        { name: { code: "work.height" }, value: `${p.heightM} m`, origin: "entered" },
        { name: { code: "work.chair" }, value: `${p.chairM} m`, origin: "entered" },
        { name: { code: "work.rises" }, value: String(p.times), origin: "measured" },
      ],
      source: { code: "work.sit_source" },
      confidence: "medium",
      cannotTell: { code: "work.sit_cannot" },
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
      formula: { code: "work.max_formula" },
      inputs: [
        { name: { code: "work.load" }, value: kgWords(p.loadKg), origin: "measured" },
        { name: { code: "work.reps_done" }, value: String(p.reps), origin: "measured" },
        {
          name: { code: "work.left" },
          value: String(p.reserve),
          origin: "entered",
          from: { code: "work.client_said" },
        },
        {
          name: { code: "work.lift_allows" },
          value: `÷ ${REPETITION_MULTIPLIER[p.lift]}`,
          origin: "default",
        },
        { name: { code: "work.reps_reached" }, value: (e.reff ?? 0).toFixed(1), origin: "estimated" },
      ],
      source: { code: "work.max_source" },
      confidence: "medium",
      cannotTell: { code: "work.max_cannot" },
    },
  };
}
