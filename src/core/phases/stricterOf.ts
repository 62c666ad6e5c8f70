/** The stricter of two words of a scale; the first one when they are equal. */
export function stricterWord<T extends string>(scale: readonly T[], a: T, b: T): T {
  return scale.indexOf(a) <= scale.indexOf(b) ? a : b;
}

/** The smaller of two bounds, null meaning "no bound here". */
export function smallerBound(a: number | null, b: number | null): number | null {
  if (a === null) return b;
  if (b === null) return a;
  return Math.min(a, b);
}

/** Both lists joined, each entry once, in alphabetical order. */
export const joined = <T extends string>(a: readonly T[], b: readonly T[]): T[] =>
  [...new Set([...a, ...b])].sort();
