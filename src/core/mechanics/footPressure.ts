import type { Body } from "../body/segments";
import { plus, times, unit, type Vector } from "./vector";

/** Where the force goes through the sole. */
export type Pressure = "heel" | "mid" | "ball";

/** Ahead of the ankle, as a share of foot length [assumed]. */
const SHARE: Record<Pressure, number> = { heel: 0, mid: 0.18, ball: 0.47 };

export const pressureAheadM = (body: Body, at: Pressure): number => SHARE[at] * body.footLengthM;

/** The point of the sole, from the ankle, in a foot that points along `footDeg`. */
export const solePoint = (body: Body, footDeg: number, aheadM: number): Vector =>
  plus(times(unit(footDeg - 90), body.ankleHeightM), times(unit(footDeg), aheadM));
