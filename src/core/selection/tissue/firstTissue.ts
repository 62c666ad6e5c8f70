import type { Tissue } from "./tissues";

/** Which tissue's load is looked at first for a condition: the one that its rules protect. Kneecap joint otherwise. */
const FIRST: readonly (readonly [RegExp, Tissue])[] = [
  [/^acl_/, "forward"],
  [/^pcl_/, "backward"],
  [/^(lumbar_|nonspecific_lbp)/, "back"],
];

export function firstTissue(conditionIds: readonly string[]): Tissue {
  for (const [pattern, tissue] of FIRST) if (conditionIds.some((id) => pattern.test(id))) return tissue;
  return "kneecap";
}
