import { type InForce, isStricter, mostOf, whoSet } from "../../bounds/inForce";
import type { ArcEnd } from "../../equipment/families/family";
import { type Said, saidWith } from "../../units/said";
import type { AllowedArc, ArcCut } from "../fit/allowedArc";
import type { AffineAngle } from "./affineArc";

/** A hip limit from here on is no restriction of machines: an ordinary hip bends so far. */
const FREE_HIP_DEG = 120;

/** By eye it is seen to so many degrees: the arc ends before that. */
const SEEN_ERROR_DEG = 5;

/**
 * What a set-up leaves of an exercise's allowed arc: its stops, the hip's limit, and the rounding of the low back where
 * that is to be avoided; on a machine where the pelvis was seen to roll, the bend before that. Angles at which the foot is out of reach are cut too. Cuts at the solved angles, to the safe
 * side; of what hip and back leave, the longest piece. Null when nothing is left. docs/rules.md, "How they meet".
 */
export function setUpArc(
  allowed: AllowedArc,
  ends: readonly ArcEnd[],
  angles: readonly AffineAngle[],
  bounds: InForce,
  rollsDeg: number | null = null,
): AllowedArc | null {
  const first = angles[0];
  const last = angles[angles.length - 1];
  if (!first || !last) return null;
  let { fromDeg, toDeg } = allowed;
  const cuts = {
    straight: allowed.cuts.find((c) => c.end === "straight") ?? null,
    bent: allowed.cuts.find((c) => c.end === "bent") ?? null,
  };
  const cut = (end: "straight" | "bent", deg: number, because: Said, isBody?: true) => {
    if (end === "straight" ? deg <= fromDeg : deg >= toDeg) return;
    if (end === "straight") fromDeg = deg;
    else toDeg = deg;
    const made: ArcCut = { end, deg, because };
    cuts[end] = isBody ? { ...made, isBody } : made;
  };
  for (const e of ends) cut(e.end, e.deg, saidWith("setUp.stop", { setting: e.setting, end: e.end }));
  if (rollsDeg !== null)
    cut("bent", rollsDeg - SEEN_ERROR_DEG, saidWith("setUp.pelvis_seen", { deg: rollsDeg }));
  cut("straight", first.deg, { code: "setUp.model_range" });
  cut("bent", last.deg, { code: "setUp.reach" });
  const checks: [Said, (a: AffineAngle) => boolean][] = [[{ code: "setUp.no_balance" }, (a) => a.isBalanced]];
  const hip = mostOf(bounds, "hip_flexion");
  if (hip < FREE_HIP_DEG)
    checks.push([
      saidWith("setUp.hip_bend", { most: hip, by: whoSet(bounds, "hip_flexion") }),
      (a) => a.hipFlexionDeg <= hip + 1e-9,
    ]);
  if (isStricter(bounds, "back_bending", "allowed"))
    checks.push([
      saidWith("setUp.would_round", { by: whoSet(bounds, "back_bending") }),
      (a) => a.pelvicTuckDeg <= 0,
    ]);
  for (const [because, isFine] of checks) {
    const run = longestRun({ fromDeg, toDeg }, angles, isFine);
    if (!run) return null;
    if (run.cutsStraight) cut("straight", run.fromDeg, because, true);
    if (run.cutsBent) cut("bent", run.toDeg, because, true);
  }
  if (fromDeg > toDeg) return null;
  return { fromDeg, toDeg, cuts: [cuts.straight, cuts.bent].filter((c) => c !== null) };
}

export interface Run {
  fromDeg: number;
  toDeg: number;
  /** angles before or behind it, still inside the arc, do not hold */
  cutsStraight: boolean;
  cutsBent: boolean;
}

/** The longest run of solved angles inside an arc at which something holds; null when there is none. */
export function longestRun(
  arc: { fromDeg: number; toDeg: number },
  angles: readonly AffineAngle[],
  holds: (a: AffineAngle) => boolean,
): Run | null {
  let best: { fromDeg: number; toDeg: number } | null = null;
  let from: number | null = null;
  let first: number | null = null;
  let last = 0;
  for (const a of angles) {
    if (a.deg < arc.fromDeg || a.deg > arc.toDeg) continue;
    first ??= a.deg;
    last = a.deg;
    if (!holds(a)) from = null;
    else {
      from ??= a.deg;
      if (!best || a.deg - from > best.toDeg - best.fromDeg) best = { fromDeg: from, toDeg: a.deg };
    }
  }
  return best && { ...best, cutsStraight: best.fromDeg > (first ?? 0), cutsBent: best.toDeg < last };
}
