import type { ArcEnd } from "../equipment/families/family";
import type { LimitsRecord } from "../rules/limitsRecord";
import type { AffineAngle } from "./affineArc";
import type { AllowedArc, ArcCut } from "./allowedArc";

/** A hip limit from here on is no restriction of machines: an ordinary hip bends so far. */
const FREE_HIP_DEG = 120;

/**
 * What a set-up leaves of an exercise's allowed arc: its stops, the hip's limit, and the rounding of the low back where
 * that is to be avoided. Angles at which the foot is out of reach are cut too. Cuts at the solved angles, to the safe
 * side. Null when nothing is left. Domain page, "How they meet".
 */
export function setUpArc(
  allowed: AllowedArc,
  ends: readonly ArcEnd[],
  angles: readonly AffineAngle[],
  limits: LimitsRecord,
): AllowedArc | null {
  let { fromDeg, toDeg } = allowed;
  let cuts: ArcCut[] = [...allowed.cuts];
  const cut = (end: "straight" | "bent", deg: number, because: string, isBody = false) => {
    if (end === "straight" ? deg <= fromDeg : deg >= toDeg) return;
    if (end === "straight") fromDeg = deg;
    else toDeg = deg;
    cuts = [...cuts.filter((c) => c.end !== end), { end, deg, because, ...(isBody ? { isBody } : {}) }];
  };
  for (const e of ends) cut(e.end, e.deg, e.because);
  const first = angles[0];
  const last = angles[angles.length - 1];
  if (!first || !last) return null;
  cut("straight", first.deg, "the model's range");
  cut("bent", last.deg, "the foot's reach or the model's range");
  const bentest = (isFine: (a: AffineAngle) => boolean): number | null => {
    const wrong = angles.find((a) => a.deg >= fromDeg && !isFine(a));
    if (!wrong) return null;
    return angles.filter((a) => a.deg < wrong.deg).at(-1)?.deg ?? -1;
  };
  const hip = limits.hip.flexion_max_deg;
  if (hip < FREE_HIP_DEG) {
    const deg = bentest((a) => a.hipFlexionDeg <= hip + 1e-9);
    if (deg !== null) cut("bent", deg, `hip bend at most ${hip}°`, true);
  }
  if (limits.lumbar.avoid_loaded_flexion) {
    const deg = bentest((a) => a.pelvicTuckDeg <= 0);
    if (deg !== null) cut("bent", deg, "the low back would round, estimated to 10 to 15°", true);
  }
  return fromDeg > toDeg ? null : { fromDeg, toDeg, cuts };
}

/** The longest run of solved angles inside an arc at which something holds; null when there is none. */
export function longestRun(
  arc: AllowedArc,
  angles: readonly AffineAngle[],
  holds: (a: AffineAngle) => boolean,
): { fromDeg: number; toDeg: number } | null {
  let best: { fromDeg: number; toDeg: number } | null = null;
  let from: number | null = null;
  for (const a of angles) {
    if (a.deg < arc.fromDeg || a.deg > arc.toDeg) continue;
    if (!holds(a)) from = null;
    else {
      from ??= a.deg;
      if (!best || a.deg - from > best.toDeg - best.fromDeg) best = { fromDeg: from, toDeg: a.deg };
    }
  }
  return best;
}
