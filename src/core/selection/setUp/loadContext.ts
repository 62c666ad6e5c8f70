import type { Body } from "../../body/segments";
import { type InForce, whoSet } from "../../bounds/inForce";
import type { BoundKind } from "../../bounds/kinds";
import type { Limit } from "../../bounds/limit";
import type { Exercise } from "../../rules/exercises";
import type { Lift } from "../../strength/repetitionMaximum";
import type { WeightOnLeg } from "../fit/weightOnLeg";
import type { StartCap } from "./startCap";
import type { Direction, KnownStrength } from "./strengthKnown";

/** Everything about a client that a load is bounded by. */
export interface LoadContext {
  limits: InForce;
  body: Body;
  strength: KnownStrength;
  weight: WeightOnLeg;
  startCap: StartCap;
  /** a therapist goes above the start cap, with a reason that is kept */
  startCapIsLifted?: boolean;
  /** a problem of the back: rounding is said at any load */
  hasBackProblem: boolean;
}

export const directionOf = (e: Exercise): Direction =>
  e.match.class === "open_knee_flexion" || e.match.class === "closed_knee_flexion" ? "flexion" : "extension";
export const signOf = (e: Exercise): 1 | -1 => (directionOf(e) === "flexion" ? -1 : 1);

/** Which rule of repetitions holds for a lift. */
export function liftOf(e: Exercise): Lift {
  if (e.match.class === "closed_knee") return "leg_press";
  return directionOf(e) === "flexion" ? "leg_curl" : "other";
}

/** Which kind of limit bounds the share of its strength that an exercise may ask for; null where none does. */
function shareKindOf(e: Exercise): BoundKind | null {
  switch (e.match.class) {
    case "open_knee_extension":
      return e.match.static_hold ? "hold_effort" : "open_chain_load";
    case "closed_knee":
      return "closed_chain_load";
    case "open_knee_flexion":
    case "closed_knee_flexion":
      return "resisted_bending_load";
    default:
      return null;
  }
}

/** No load is set above this share of its strength, limit or not [own]. */
const MOST_EFFORT_PCT = 85;

/** Percent of its strength that limits leave to this kind of exercise; null where none is set. */
export function effortLimitPct(e: Exercise, bounds: InForce): number | null {
  const kinds = new Set([shareKindOf(e), ...(e.match.static_hold ? (["hold_effort"] as const) : [])]);
  const all = [...kinds].flatMap((k) => (k && bounds[k]?.high != null ? [bounds[k]?.high as number] : []));
  return all.length ? Math.min(...all) : null;
}

/** The most share of its strength, and who set it where somebody did. */
export function shareLimit(
  e: Exercise,
  bounds: InForce,
): { share: number; isSet: boolean; by: readonly Limit["origin"][] } {
  const pct = effortLimitPct(e, bounds);
  if (pct === null || pct > MOST_EFFORT_PCT) return { share: MOST_EFFORT_PCT / 100, isSet: false, by: [] };
  const kind = e.match.static_hold && bounds.hold_effort?.high === pct ? "hold_effort" : shareKindOf(e);
  return { share: pct / 100, isSet: true, by: kind ? whoSet(bounds, kind) : [] };
}
