import type { Condition } from "../rules/conditions";

/** Which part of the body an episode is about. */
export type Part = "knee" | "hip" | "back" | "leg";

/** By the main regions of its conditions: the knee where nothing says. */
export function partOf(regions: readonly Condition["main_region"][]): Part {
  if (regions.includes("knee") || regions.length === 0) return "knee";
  if (regions.includes("hip")) return "hip";
  return regions.includes("lumbar") ? "back" : "leg";
}
