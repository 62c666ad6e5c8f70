import type { Exercise } from "../rules/exercises";
import type { LimitsRecord } from "../rules/limitsRecord";

/** Who cut the arc, where, and why. */
export interface ArcCut {
  end: "straight" | "bent";
  deg: number;
  because: string;
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

/** What the client's knee can do, measured; null where it was not. */
export interface MeasuredMotion {
  shortOfStraightDeg: number | null;
  bendDeg: number | null;
}

/**
 * The exercise's own angles, cut by bend under load, by the rule of its class and by the measured motion. Null when
 * nothing is left. Each end remembers who cut it. Domain page, "How they meet".
 */
export function allowedArc(e: Exercise, limits: LimitsRecord, motion: MeasuredMotion): AllowedArc | null {
  let { min: fromDeg, max: toDeg } = e.knee_angle_usable_deg;
  const cuts: { straight: ArcCut | null; bent: ArcCut | null } = { straight: null, bent: null };
  const cut = (low: number | null, high: number | null, because: string) => {
    if (low !== null && low > fromDeg) {
      fromDeg = low;
      cuts.straight = { end: "straight", deg: low, because };
    }
    if (high !== null && high < toDeg) {
      toDeg = high;
      cuts.bent = { end: "bent", deg: high, because };
    }
  };
  if (e.match.class !== "stretch")
    cut(limits.knee_flexion_loaded_deg.min, limits.knee_flexion_loaded_deg.max, "bend under load");
  const open = limits.open_chain_extension;
  if (e.match.class === "open_knee_extension" && e.match.static_hold && open.isometric_angles_deg)
    cut(open.isometric_angles_deg[0], open.isometric_angles_deg[1], "angles of a held extension");
  if (e.match.class === "open_knee_extension" && !e.match.static_hold && open.rule !== "free")
    cut(open.to_deg, open.from_deg, "arc of extension with the foot free");
  if (e.match.class === "closed_knee")
    cut(null, limits.closed_chain.max_depth_deg, "depth of presses and squats");
  if (e.match.class === "open_knee_flexion" || e.match.class === "closed_knee_flexion")
    cut(null, limits.resisted_knee_flexion.max_flexion_deg, "bending against resistance");
  cut(motion.shortOfStraightDeg, motion.bendDeg, "what this knee does, measured");
  if (fromDeg > toDeg) return null;
  return { fromDeg, toDeg, cuts: [cuts.straight, cuts.bent].filter((c) => c !== null) };
}
