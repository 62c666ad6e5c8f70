import { type InForce, leastOf, mostOf, whoSet } from "../../bounds/inForce";
import type { BoundKind } from "../../bounds/kinds";
import type { Exercise } from "../../rules/exercises";
import { type Said, saidWith } from "../../units/said";

/** Who cut the arc, where, and why. */
export interface ArcCut {
  end: "straight" | "bent";
  deg: number;
  because: Said;
  /** the person's own back or hip: a flatter back may give it back */
  isBody?: boolean;
}

/** Knee angles an exercise may use for a client. */
export interface AllowedArc {
  fromDeg: number;
  toDeg: number;
  /** the cuts that set each end; an end without one is the exercise's own */
  cuts: ArcCut[];
}

/** A stretch in which the body's weight bends the knee. */
const isLoadedStretch = (e: Exercise): boolean =>
  e.match.class === "stretch" &&
  (e.match.weight_bearing_need.startsWith("full") || e.kneeling_contact !== "none");

/** What the client's knee can do, measured; null where it was not. */
export interface MeasuredMotion {
  shortOfStraightDeg: number | null;
  bendDeg: number | null;
}

/**
 * The exercise's own angles, cut by bend under load, by the rule of its class and by the measured motion. Null when
 * nothing is left. Each end remembers who cut it. docs/rules.md, "How they meet".
 */
export function allowedArc(e: Exercise, bounds: InForce, motion: MeasuredMotion): AllowedArc | null {
  let { min: fromDeg, max: toDeg } = e.knee_angle_usable_deg;
  const cuts: { straight: ArcCut | null; bent: ArcCut | null } = { straight: null, bent: null };
  const cut = (low: number | null, high: number | null, because: Said) => {
    if (low !== null && low > fromDeg) {
      fromDeg = low;
      cuts.straight = { end: "straight", deg: low, because };
    }
    if (high !== null && high < toDeg) {
      toDeg = high;
      cuts.bent = { end: "bent", deg: high, because };
    }
  };
  const cutBy = (kind: BoundKind, code: string) => {
    if (bounds[kind])
      cut(leastOf(bounds, kind), mostOf(bounds, kind), saidWith(code, { by: whoSet(bounds, kind) }));
  };
  cutBy("knee_flexion", "fit.bend");
  // a stretch that the body's weight bends is loaded too (corrections K14)
  if (e.match.class !== "stretch" || isLoadedStretch(e)) cutBy("knee_flexion_under_load", "fit.bend_loaded");
  const isExtension = e.match.class === "open_knee_extension";
  if (isExtension && e.match.static_hold) cutBy("extension_hold_angles", "fit.hold_angles");
  if (isExtension && !e.match.static_hold) cutBy("open_chain_extension", "fit.open_arc");
  if (e.match.class === "closed_knee") cutBy("closed_chain_depth", "fit.closed_depth");
  if (e.match.class === "open_knee_flexion" || e.match.class === "closed_knee_flexion")
    cutBy("resisted_knee_flexion", "fit.resisted_bend");
  cut(motion.shortOfStraightDeg, motion.bendDeg, { code: "fit.motion" });
  if (fromDeg > toDeg) return null;
  return { fromDeg, toDeg, cuts: [cuts.straight, cuts.bent].filter((c) => c !== null) };
}
