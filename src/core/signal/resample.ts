import type { ForceTrace } from "./forceTrace";

export const RESAMPLED_HZ = 100;

/** Median of three neighbours: removes single spikes, keeps edges. */
export function medianOfThree(values: readonly number[]): number[] {
  return values.map((v, i) => {
    const a = values[i - 1] ?? v;
    const b = values[i + 1] ?? v;
    return Math.max(Math.min(a, b), Math.min(Math.max(a, b), v));
  });
}

/** Linear interpolation onto a regular 100 Hz grid from the first sample on. */
export function resample(trace: ForceTrace): Float64Array {
  const start = trace.timeS[0] as number;
  const end = trace.timeS[trace.timeS.length - 1] as number;
  const out = new Float64Array(Math.floor((end - start) * RESAMPLED_HZ + 1e-9) + 1);
  let j = 0;
  for (let i = 0; i < out.length; i++) {
    const t = start + i / RESAMPLED_HZ;
    while (j < trace.timeS.length - 2 && (trace.timeS[j + 1] as number) < t) j++;
    const t0 = trace.timeS[j] as number;
    const t1 = trace.timeS[j + 1] as number;
    const f0 = trace.forceN[j] as number;
    const f1 = trace.forceN[j + 1] as number;
    out[i] = f0 + (f1 - f0) * Math.min(1, Math.max(0, (t - t0) / (t1 - t0)));
  }
  return out;
}
