import { normal, type Random } from "./random";
import { SAMPLE_HZ } from "./simulateLoadCell";

const SECONDS = 1.2;
/** A stack swings a little after it was lifted. */
const SWING_SHARE = 0.01;
const SWING_HZ = 1.7;

/** What a load cell reads between a lever at rest and a fixed point: a steady pull, a little swing, sensor noise. */
export function* simulateStaticPull(
  forceN: number,
  random: Random,
): Generator<{ timeS: number; forceN: number }> {
  for (let i = 0; i <= SECONDS * SAMPLE_HZ; i++) {
    const timeS = i / SAMPLE_HZ;
    const swing = SWING_SHARE * Math.exp(-timeS) * Math.sin(2 * Math.PI * SWING_HZ * timeS);
    yield { timeS, forceN: forceN * (1 + swing) + 0.6 * normal(random) };
  }
}
