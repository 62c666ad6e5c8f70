import type { Body } from "../../body/segments";
import type { LegConfiguration } from "../legState";
import { legPress } from "./legPress";

export interface HackSettings {
  /** rail against the floor, degrees, at the top */
  inclineDeg: number;
  /** pendulum: rail's direction at 100° of knee flexion; the same as `inclineDeg` on a straight sled */
  inclineBottomDeg?: number;
  /** back pad against the rail */
  padDeg?: number;
  footForwardM?: number;
  carriageKg: number;
  platesKg?: number;
  share: number;
  friction?: number;
  phase?: -1 | 0 | 1;
}

/** The arc of a pendulum is taken as its tangent, turning evenly until here. */
const PENDULUM_BOTTOM_DEG = 100;

/** Back-supported sled or pendulum squat: a press whose carriage carries the body. Source: mechanics rules 5.4. */
export function hackSquat(body: Body, kneeFlexionDeg: number, s: HackSettings): LegConfiguration {
  const turn = ((s.inclineBottomDeg ?? s.inclineDeg) - s.inclineDeg) / PENDULUM_BOTTOM_DEG;
  const inclineDeg = s.inclineDeg + turn * kneeFlexionDeg;
  return legPress(body, kneeFlexionDeg, {
    railDeg: -inclineDeg,
    backDeg: 180 - inclineDeg + (s.padDeg ?? 0),
    footOffsetM: s.footForwardM ?? 0.15,
    plateTiltDeg: 0,
    pressure: "mid",
    load: {
      moves: "carriage",
      sledKg: s.carriageKg,
      platesKg: s.platesKg,
      friction: s.friction,
      phase: s.phase,
    },
    share: s.share,
  });
}
