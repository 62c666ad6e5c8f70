import { normal, type Random } from "./random";

export const ANGLE_SENSOR_HZ = 25;
const REST_S = 0.4;
const MOVE_S = 2.2;
const HOLD_S = 1.6;

/**
 * A believable reading of an angle sensor on the shin: still at the start, slowly to the end of the range, held there.
 * Stand-in for a real sensor; nothing in the product relies on more than times and angles.
 */
export function* simulateAngleSensor(
  way: { fromDeg: number; toDeg: number },
  random: Random,
): Generator<{ timeS: number; angleDeg: number }> {
  const endS = REST_S + MOVE_S + HOLD_S;
  for (let i = 0; i <= endS * ANGLE_SENSOR_HZ; i++) {
    const timeS = i / ANGLE_SENSOR_HZ;
    const share = Math.min(1, Math.max(0, (timeS - REST_S) / MOVE_S));
    // slow at both ends, as a hand moves a leg
    const eased = share * share * (3 - 2 * share);
    yield { timeS, angleDeg: way.fromDeg + (way.toDeg - way.fromDeg) * eased + 0.25 * normal(random) };
  }
}
