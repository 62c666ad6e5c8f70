import type { Body } from "../../body/segments";
import { toRadians } from "../../units/clamp";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type Pressure, pressureAheadM, solePoint } from "../footPressure";
import type { LegConfiguration } from "../legState";
import { flexionAtReachDeg, linkagePosture } from "../linkage";
import { plus, times, unit } from "../vector";

/** What resists along the rail: a plate that is pushed away, or a carriage on which the body rides. */
export interface RailLoad {
  moves: "plate" | "carriage";
  /** weight stack, kg, and newtons at the rail per newton of stack */
  stackKg?: number;
  ratio?: number;
  /** the sled's or carriage's own mass and the plates on it, kg */
  sledKg?: number;
  platesKg?: number;
  /** friction as a share; `phase` +1 pushing, -1 lowering, 0 held */
  friction?: number;
  phase?: -1 | 0 | 1;
}

export interface PressSettings {
  /** from the hip to the feet, up is positive: 0 horizontal, 45 a sled, below 0 a carriage or a squat */
  railDeg: number;
  /** hip to shoulder, absolute degrees: the back decides how the pelvis tips, not the name of the machine */
  backDeg: number;
  /** ankle above the rail's line through the hip, m */
  footOffsetM: number;
  /** plate against square to the rail; below 0 its top leans away */
  plateTiltDeg: number;
  pressure: Pressure;
  load: RailLoad;
  /** share of the load on this leg */
  share: number;
  /** push across the rail as a share of the push along it: people can, statics cannot tell */
  oblique?: number;
}

/** Force along the rail for both legs together, N. */
export function railForceN(body: Body, railDeg: number, load: RailLoad): number {
  const { stackKg = 0, ratio = 1, sledKg = 0, platesKg = 0, friction = 0, phase = 0 } = load;
  const rho = toRadians(railDeg);
  const stack = stackKg * ratio * (1 + phase * friction);
  const rides = load.moves === "carriage" ? body.massKg + sledKg + platesKg : sledKg + platesKg;
  const slope =
    (load.moves === "carriage" ? Math.sin(-rho) : Math.sin(rho)) + phase * friction * Math.cos(rho);
  return GRAVITY_M_S2 * (stack + rides * slope);
}

/** A leg press at one angle. Source: mechanics rules 5.2. */
export function legPress(body: Body, kneeFlexionDeg: number, s: PressSettings): LegConfiguration {
  const { thighDeg, shankDeg } = linkagePosture(body, kneeFlexionDeg, s.railDeg, s.footOffsetM);
  const footDeg = s.railDeg + 90 + s.plateTiltDeg;
  const ankle = times(unit(shankDeg), body.shankLengthM);
  const along = s.share * railForceN(body, s.railDeg, s.load);
  const push = plus(times(unit(s.railDeg), -along), times(unit(s.railDeg + 90), (s.oblique ?? 0) * along));
  return {
    posture: { thighDeg, shankDeg, trunkDeg: s.backDeg, thighSupported: false },
    footDeg,
    forces: [
      {
        segment: "foot",
        atM: plus(ankle, solePoint(body, footDeg, pressureAheadM(body, s.pressure))),
        forceN: push,
      },
    ],
    chain: "closed",
  };
}

/** Knee flexion at the seat stop, where the plate is `seatGapM` from the hip along the rail; null if out of reach. */
export function flexionAtSeatStopDeg(
  body: Body,
  seatGapM: number,
  footOffsetM: number,
  plateTiltDeg: number,
): number | null {
  const reachM = seatGapM - body.ankleHeightM / Math.cos(toRadians(plateTiltDeg));
  return flexionAtReachDeg(body, reachM, footOffsetM);
}
