import { type BoundReason, type InForce, leastOf, mostOf, reasonsOf, whoSet } from "./inForce";
import type { BoundKind } from "./kinds";
import type { Limit } from "./limit";

/** Knee flexion that is left, each end with what cut it there. */
export interface AllowedWindow {
  fromDeg: number;
  toDeg: number;
  /** who set each end: limits of these origins, or what the knee or the machine can do; none where nothing cuts it */
  from: readonly EndBy[];
  to: readonly EndBy[];
  /** no angle is left */
  isEmpty: boolean;
  /** what bars an angle outside; null where the machine itself ends there */
  because: { from: readonly BoundReason[] | null; to: readonly BoundReason[] | null };
}

/** Who or what cuts an end. */
export type EndBy = Limit["origin"] | "measured" | "machine";

/** A range that something other than a limit leaves: a machine's stops, a measured motion. */
export interface OtherEnd {
  fromDeg: number | null;
  toDeg: number | null;
  who: "measured" | "machine";
}

/**
 * Knee flexion that limits of some kinds leave, further cut by what a knee or a machine can do. The tightest wins on each
 * side; of equal ones the limit is named.
 */
export function windowOf(
  bounds: InForce,
  kinds: readonly BoundKind[],
  others: readonly OtherEnd[] = [],
): AllowedWindow {
  const w: AllowedWindow = {
    fromDeg: 0,
    toDeg: 130,
    from: [],
    to: [],
    isEmpty: false,
    because: { from: null, to: null },
  };
  for (const kind of kinds) {
    const t = bounds[kind];
    if (!t) continue;
    const [low, high] = [leastOf(bounds, kind), mostOf(bounds, kind)];
    if (low > w.fromDeg)
      Object.assign(w, {
        fromDeg: low,
        from: whoSet(bounds, kind),
        because: { ...w.because, from: reasonsOf(t) },
      });
    if (high < w.toDeg)
      Object.assign(w, {
        toDeg: high,
        to: whoSet(bounds, kind),
        because: { ...w.because, to: reasonsOf(t) },
      });
  }
  for (const o of others) {
    if (o.fromDeg !== null && o.fromDeg > w.fromDeg)
      Object.assign(w, { fromDeg: o.fromDeg, from: [o.who], because: { ...w.because, from: null } });
    if (o.toDeg !== null && o.toDeg < w.toDeg)
      Object.assign(w, { toDeg: o.toDeg, to: [o.who], because: { ...w.because, to: null } });
  }
  w.isEmpty = w.fromDeg > w.toDeg;
  return w;
}

/** The knee under load, on any machine: what limits leave of what this knee does. Header, Today and Limits say it. */
export const kneeWindow = (
  bounds: InForce,
  motion: { shortOfStraightDeg: number | null; bendDeg: number | null },
): AllowedWindow =>
  windowOf(
    bounds,
    ["knee_flexion", "knee_flexion_under_load"],
    [{ fromDeg: motion.shortOfStraightDeg, toDeg: motion.bendDeg, who: "measured" }],
  );
