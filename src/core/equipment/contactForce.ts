import type { Body } from "../body/segments";
import { InputError } from "../units/inputError";
import { familyById } from "./families";
import { middleDeg } from "./families/family";
import { geometryOf, type Machine } from "./machine";

/** What a kilogram of load is where leg and machine meet, in one set-up. */
export interface ContactForce {
  /** N at pad or plate for each kilogram loaded */
  newtonsPerKg: number;
  kneeFlexionDeg: number;
}

/** Two loads between which the slope is taken, kg: what hangs and weighs by itself falls out. */
const [LESS_KG, MORE_KG] = [20, 30];

/**
 * N at the pad or plate for each kilogram on stack, sled or bar, from the same model as every other number, holding
 * still with one leg in the middle of the arc; null where there is no model or this body cannot be set up so.
 */
export function contactForce(
  machine: Machine,
  body: Body,
  settings: Readonly<Record<string, number>>,
): ContactForce | null {
  const family = familyById(machine.family);
  if (!family?.load || family.isReversed) return null;
  const deg = Math.round(middleDeg(family.range));
  const forceAt = (load: number): number => {
    const leg = family.solve(body, geometryOf(machine), { settings, share: 1, phase: 0, load }, deg);
    return Math.max(0, ...leg.forces.map((f) => Math.hypot(f.forceN.x, f.forceN.y)));
  };
  try {
    // of a stack behind a pulley the lever feels another weight than the one that hangs there
    const feltShare = machine.steps.kind === "stack" ? machine.steps.pulley : 1;
    const newtonsPerKg = (feltShare * (forceAt(MORE_KG) - forceAt(LESS_KG))) / (MORE_KG - LESS_KG);
    return { newtonsPerKg, kneeFlexionDeg: deg };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}
