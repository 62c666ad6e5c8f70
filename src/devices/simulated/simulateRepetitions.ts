import { normal, type Random } from "./random";

const RATE_HZ = 25;
const NOISE_DEG = 0.6;

/**
 * Knee angles of repetitions between two ends, as the stand-in of an angle sensor gives them. The last repetitions reach
 * less, as tired ones do.
 */
export function* simulateRepetitions(
  q: { fromDeg: number; toDeg: number; reps: number; repS: number },
  random: Random,
): Generator<{ timeS: number; angleDeg: number }> {
  const middle = (q.fromDeg + q.toDeg) / 2;
  const half = (q.toDeg - q.fromDeg) / 2;
  const count = Math.round(q.reps * q.repS * RATE_HZ);
  for (let i = 0; i <= count; i++) {
    const timeS = i / RATE_HZ;
    const rep = Math.min(q.reps - 1, Math.floor(timeS / q.repS));
    const tired = rep >= q.reps - 2 ? 0.96 : 1;
    const phase = (timeS / q.repS) * 2 * Math.PI;
    yield { timeS, angleDeg: middle - half * tired * Math.cos(phase) + NOISE_DEG * normal(random) };
  }
}
