import { kgWords, type MassUnit, massLabel, poundsBeside } from "../../units/mass";

/** The mass beside how it is set, where that does not say it: "35 kg"; its pounds for who reads them. */
export function massBeside({ how, load }: { how: string; load: number | null }, unit: MassUnit): string {
  if (load === null || load === 0) return "";
  const mass = how === massLabel(load) ? "" : kgWords(load);
  return `${mass}${poundsBeside(load, unit)}`.trim();
}
