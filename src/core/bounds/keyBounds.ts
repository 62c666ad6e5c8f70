import { type InForce, whoSet } from "./inForce";
import { type BoundKind, boundKind, boundWord } from "./kinds";
import type { Limit } from "./limit";

/** A bound that binds today as a picture and a number. */
export interface KeyBound {
  kind: BoundKind;
  name: string;
  /** "≤ 70 % of maximum", "on a pad" */
  words: string;
  by: readonly Limit["origin"][];
  /** how much is left of all there could be, 0 to 1 */
  share: number;
  as: "percent" | "degrees" | "score" | "step";
}

/** What is looked at first, in this order; the others stand in the table. */
const ORDER: readonly BoundKind[] = [
  "hold_effort",
  "joint_pain",
  "closed_chain_depth",
  "closed_chain_load",
  "open_chain_extension",
  "weight_bearing",
  "kneeling",
  "weight_on_shoulders",
  "hip_flexion",
  "back_demand",
  "resisted_knee_flexion",
];
const SHOWN = 6;

/** The five or six bounds that a hurried person needs, of those that are in force. */
export function keyBounds(bounds: InForce): KeyBound[] {
  return ORDER.flatMap((kind): KeyBound[] => {
    const t = bounds[kind];
    if (!t) return [];
    const spec = boundKind(kind);
    const by = whoSet(bounds, kind);
    if (spec.shape === "word") {
      if (t.word === null) return [];
      const at = spec.scale.indexOf(t.word);
      // the free end of a scale bounds nothing
      if (at === spec.scale.length - 1) return [];
      return [
        {
          kind,
          name: spec.name,
          words: boundWord(kind, t.word),
          by,
          share: at / (spec.scale.length - 1),
          as: "step",
        },
      ];
    }
    if (spec.shape !== "most" || t.high === null || t.high >= spec.most) return [];
    const unit = spec.unit === "°" ? "°" : ` ${spec.unit}`;
    const as = spec.unit.startsWith("%") ? "percent" : spec.unit === "°" ? "degrees" : "score";
    return [{ kind, name: spec.name, words: `≤ ${t.high}${unit}`, by, share: t.high / spec.most, as }];
  }).slice(0, SHOWN);
}
