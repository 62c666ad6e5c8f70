import { becauseOf, type InForce, leastOf, mostOf, setBy } from "./inForce";
import type { BoundKind } from "./kinds";

/** Knee flexion that is left, each end with what cut it there. */
export interface AllowedWindow {
  fromDeg: number;
  toDeg: number;
  /** who set each end, in a word: "surgeon", "measured", "machine"; empty where nothing cuts it */
  from: string;
  to: string;
  /** no angle is left */
  isEmpty: boolean;
  /** what bars an angle outside, each end as a clause; null where the machine itself ends there */
  because: { from: string | null; to: string | null };
}

/** A range that something other than a limit leaves: a machine's stops, a measured motion. */
export interface OtherEnd {
  fromDeg: number | null;
  toDeg: number | null;
  who: string;
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
    from: "",
    to: "",
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
        from: setBy(bounds, kind),
        because: { ...w.because, from: becauseOf(t) },
      });
    if (high < w.toDeg)
      Object.assign(w, { toDeg: high, to: setBy(bounds, kind), because: { ...w.because, to: becauseOf(t) } });
  }
  for (const o of others) {
    if (o.fromDeg !== null && o.fromDeg > w.fromDeg)
      Object.assign(w, { fromDeg: o.fromDeg, from: o.who, because: { ...w.because, from: null } });
    if (o.toDeg !== null && o.toDeg < w.toDeg)
      Object.assign(w, { toDeg: o.toDeg, to: o.who, because: { ...w.because, to: null } });
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

/** Angles of a held extension: the knee under load, further cut by what is set for holds and by the machine's stops. */
export const holdWindow = (
  bounds: InForce,
  motion: { shortOfStraightDeg: number | null; bendDeg: number | null },
  machine: { fromDeg: number; toDeg: number } | null,
): AllowedWindow => {
  const w = windowOf(
    bounds,
    ["knee_flexion", "knee_flexion_under_load", "extension_hold_angles"],
    [
      { fromDeg: motion.shortOfStraightDeg, toDeg: motion.bendDeg, who: "measured" },
      ...(machine ? [{ ...machine, who: "machine" }] : []),
    ],
  );
  const open = bounds.open_chain_extension;
  if (open?.word !== "none") return w;
  const why = becauseOf(open);
  return {
    ...w,
    isEmpty: true,
    from: setBy(bounds, "open_chain_extension"),
    because: { from: why, to: why },
  };
};

/** Why an angle is barred, and what to do, or null if it is allowed. */
export function whyBarred(window: AllowedWindow, kneeFlexionDeg: number): string | null {
  if (window.isEmpty) {
    const why = [...new Set([window.because.from, window.because.to])]
      .filter((x) => x !== null)
      .join(" and ");
    return `The limits leave no knee angle for this hold${why ? `, because ${why}` : ""}: change a limit or choose other work.`;
  }
  if (kneeFlexionDeg < window.fromDeg)
    return sentence(window.because.from, window.from, `starts at ${window.fromDeg}°`);
  if (kneeFlexionDeg > window.toDeg)
    return sentence(window.because.to, window.to, `ends at ${window.toDeg}°`);
  return null;
}

function sentence(because: string | null, who: string, what: string): string {
  if (because) return `The allowed window ${what}, because ${because}. Choose an angle inside it.`;
  return who === "measured"
    ? `What this knee does, measured, ${what}. Choose an angle inside it.`
    : `The machine ${what}: choose an angle inside it.`;
}
