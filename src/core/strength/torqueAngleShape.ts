import { clamp, toRadians } from "../units/clamp";

export type KneeMovement = "knee_extension" | "knee_flexion";

interface ShapeConstants {
  c2: number;
  /** peak angle, rad */
  c3: number;
}

const SHAPE: Record<KneeMovement, ShapeConstants> = {
  knee_extension: { c2: 1.258, c3: 1.133 },
  knee_flexion: { c2: 0.869, c3: 0.522 },
};

export const shapeConstants = (movement: KneeMovement): ShapeConstants => SHAPE[movement];

/** The curve says nothing outside; inside it is evaluated as it is. */
export const CURVE_FROM_DEG = 10;
export const CURVE_TO_DEG = 110;
/** Within this arc the shape is sane; outside it is doubtful and marked so. */
export const CURVE_SURE_FROM_DEG = 20;
export const CURVE_SURE_TO_DEG = 100;

/**
 * Isometric torque at a knee angle as a share of the peak: cos(C2(θ − C3)) [medium], θ held within 10-110°.
 * `peakRad` replaces the default peak angle where enough tests moved it. Source: mechanics rules 6.
 */
export function torqueAngleShape(movement: KneeMovement, kneeFlexionDeg: number, peakRad?: number): number {
  const { c2, c3 } = SHAPE[movement];
  const theta = toRadians(clamp(kneeFlexionDeg, CURVE_FROM_DEG, CURVE_TO_DEG));
  return Math.cos(c2 * (theta - (peakRad ?? c3)));
}

const CROSS_CHECK: readonly (readonly [number, number])[] = [
  [10, 0.38],
  [20, 0.52],
  [30, 0.66],
  [45, 0.84],
  [60, 0.97],
  [70, 1],
  [80, 0.97],
  [90, 0.88],
  [105, 0.72],
  [120, 0.55],
];

/**
 * A second, independent set of knee-extension factors (dosing rules E6). It doses nothing: its distance from the
 * curve above is the doubt we show when a test at one angle speaks for another.
 */
export function extensionFactorCrossCheck(kneeFlexionDeg: number): number {
  const x = clamp(kneeFlexionDeg, CURVE_FROM_DEG, 120);
  const i = CROSS_CHECK.findIndex(([deg]) => deg >= x);
  if (i <= 0) return (CROSS_CHECK[0] as readonly [number, number])[1];
  const [x0, y0] = CROSS_CHECK[i - 1] as readonly [number, number];
  const [x1, y1] = CROSS_CHECK[i] as readonly [number, number];
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
}
