/** What the rule base says nothing about; the product says so at once and computes no limits. Source: its scope. */
export const UNCOVERED = {
  multi_ligament: "multi-ligament knee",
  cartilage_repair: "cartilage repair",
  osteotomy: "osteotomy",
  kneecap_instability: "surgery for kneecap instability",
  hamstring_tear: "hamstring tendon tear",
  hip_tendon_tear: "hip tendon tear",
  lateral_hip: "lateral hip tendon pain",
  ankle_achilles: "ankle or Achilles condition as the main problem",
  spine_surgery: "spine surgery",
  inflammatory_arthritis: "inflammatory arthritis",
  neurological: "stroke or other neurological weakness",
  other: "another condition that is not in the list",
} as const;
export type Uncovered = keyof typeof UNCOVERED;
export const UNCOVERED_IDS = Object.keys(UNCOVERED) as [Uncovered, ...Uncovered[]];

/** The rule base covers adults. */
const ADULT_AGE = 18;

/** Why the rule base does not cover a client, in words; empty when it does. A birth year gives the age to a year. */
export function notCovered(birthYear: number, today: string, uncovered: readonly string[]): string[] {
  const named = uncovered.map((id) => UNCOVERED[id as Uncovered] ?? id);
  // the youngest the client can be today: under 18 counts until it is sure
  const age = Number(today.slice(0, 4)) - birthYear - 1;
  return age < ADULT_AGE ? [...named, "a client who may be under 18"] : named;
}
