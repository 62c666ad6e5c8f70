import { kgWords, type MassUnit, massLabel, poundsBeside } from "../../units/mass";

/** What to set, with its mass: "pin 3, 35 kg"; a piece that is a mass by itself is said once. */
export function loadWords({ how, load }: { how: string; load: number | null }): string {
  if (load === null || load === 0) return how;
  return how === massLabel(load) ? kgWords(load) : `${how}, ${kgWords(load)}`;
}

/** The mass beside how it is set, where that does not say it: "35 kg"; its pounds for who reads them. */
export function massBeside({ how, load }: { how: string; load: number | null }, unit: MassUnit): string {
  if (load === null || load === 0) return "";
  const mass = how === massLabel(load) ? "" : kgWords(load);
  return `${mass}${poundsBeside(load, unit)}`.trim();
}
