import type { Body } from "../../body/segments";
import type { SolvedLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, type Vector, vector } from "../../mechanics/vector";
import type { MachinePart } from "./family";

/** Points of the looked-at leg from the hip, m. */
export interface LegPoints {
  hip: Vector;
  knee: Vector;
  ankle: Vector;
  heel: Vector;
  toe: Vector;
  shoulder: Vector;
}

/** Shoulder above the hip, as a share of body height. */
const SHOULDER = 0.288;
/** The heel behind the ankle, as a share of the foot. */
const HEEL = 0.25;

export function legPoints(body: Body, leg: SolvedLeg): LegPoints {
  const hip = vector(0, 0);
  const knee = times(unit(leg.posture.thighDeg), body.thighLengthM);
  const ankle = plus(knee, times(unit(leg.posture.shankDeg), body.shankLengthM));
  const footDeg = leg.footDeg ?? leg.posture.shankDeg + 100;
  const sole = plus(ankle, times(unit(footDeg - 90), body.ankleHeightM));
  return {
    hip,
    knee,
    ankle,
    heel: plus(sole, times(unit(footDeg), -HEEL * body.footLengthM)),
    toe: plus(sole, times(unit(footDeg), (1 - HEEL) * body.footLengthM)),
    shoulder: plus(hip, times(unit(leg.posture.trunkDeg), SHOULDER * body.heightM)),
  };
}

/** A pad behind or under a segment, a little aside of it. */
export function alongside(
  kind: MachinePart["kind"],
  from: Vector,
  to: Vector,
  asideDeg: number,
  asideM: number,
): MachinePart {
  const by = times(unit(asideDeg), asideM);
  return { kind, from: plus(from, by), to: plus(to, by) };
}

/** Half the thickness of a limb in the side view, m. */
export const LIMB_HALF_M = 0.07;

/** The floor under a standing person. */
export const floorUnder = (body: Body, ankle: Vector): MachinePart => ({
  kind: "floor",
  from: vector(ankle.x - 0.35, ankle.y - body.ankleHeightM),
  to: vector(ankle.x + 0.45, ankle.y - body.ankleHeightM),
});
