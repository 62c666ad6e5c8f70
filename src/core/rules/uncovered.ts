import texts from "./text/en/uncovered.json";

/** What the rule base says nothing about; the product says so at once and computes no limits. Source: its scope. */
export const UNCOVERED_IDS = [
  "multi_ligament",
  "cartilage_repair",
  "osteotomy",
  "kneecap_instability",
  "hamstring_tear",
  "hip_tendon_tear",
  "lateral_hip",
  "ankle_achilles",
  "spine_surgery",
  "inflammatory_arthritis",
  "neurological",
  "other",
] as const;
export type Uncovered = (typeof UNCOVERED_IDS)[number];
export const UNCOVERED: Readonly<Record<Uncovered, string>> = texts;

/** The rule base covers adults. */
const ADULT_AGE = 18;

/** Why the rule base does not cover a client, in words; empty when it does. A birth year gives the age to a year. */
export function notCovered(birthYear: number, today: string, uncovered: readonly string[]): string[] {
  const named = uncovered.map((id) => UNCOVERED[id as Uncovered] ?? id);
  // the youngest the client can be today: under 18 counts until it is sure
  const age = Number(today.slice(0, 4)) - birthYear - 1;
  return age < ADULT_AGE ? [...named, texts.under_age] : named;
}
