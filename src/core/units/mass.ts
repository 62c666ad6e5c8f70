/** Standard gravity as the field's equations use it, m/s². */
export const GRAVITY_M_S2 = 9.81;

export const KG_PER_LB = 0.45359237;

export type MassUnit = "kg" | "lb";

export const kgFromLb = (lb: number): number => lb * KG_PER_LB;
export const lbFromKg = (kg: number): number => kg / KG_PER_LB;

/** Mass as people read it. Pounds exist only here and at input fields; everything stored is kg. */
export function formatMass(kg: number, unit: MassUnit, decimals = 1): string {
  const value = unit === "kg" ? kg : lbFromKg(kg);
  return `${trimZeros(value.toFixed(decimals))} ${unit}`;
}

/** Pounds in brackets for who reads pounds: machines are marked in kilograms and are named so. */
export const poundsBeside = (kg: number, unit: MassUnit): string =>
  unit === "lb" ? ` (${formatMass(kg, "lb", 0)})` : "";

/** Between a mass and its unit, and nowhere else: it does not break, and by it a mass in a sentence is known. */
const SPACE = "\u00a0";
const MASS = new RegExp(`(\\d+(?:\\.\\d+)?)${SPACE}kg`, "g");

/** A mass inside a sentence. All sentences of the core write it so; who reads pounds gets them by `withPounds`. */
export const kgWords = (kg: number, decimals = 2): string => asKg(trimZeros(kg.toFixed(decimals)));

/** A number, however it is written, as a mass. */
export const asKg = (number: string): string => `${number}${SPACE}kg`;

/** The sentence as it is, and for who reads pounds each mass in it with its pounds beside. */
export const withPounds = (sentence: string, unit: MassUnit): string =>
  unit === "kg" ? sentence : sentence.replace(MASS, (mass, kg) => `${mass}${poundsBeside(Number(kg), unit)}`);

/** How a piece is named that is a mass and nothing else: a cuff, a bell. */
export const massLabel = (kg: number): string => `${trimZeros(kg.toFixed(3))} kg`;

/** "17.50" -> "17.5", "20.0" -> "20"; never shows more digits than asked for. */
export function trimZeros(text: string): string {
  return text.includes(".") ? text.replace(/\.?0+$/, "") : text;
}
