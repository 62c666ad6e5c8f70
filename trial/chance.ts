import { normal, seededRandom } from "@/devices/simulated/random";

/** Chance of one person: the same for every policy that meets them. */
export interface Chance {
  /** 0 to 1 */
  share: () => number;
  /** standard normal */
  normal: () => number;
}

export function chanceOf(seed: number): Chance {
  const random = seededRandom(seed);
  return { share: random, normal: () => normal(random) };
}
