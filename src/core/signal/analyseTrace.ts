import { type ForceTrace, forceTrace } from "./forceTrace";
import { medianOfThree, RESAMPLED_HZ, resample } from "./resample";

export type TraceFlag =
  | "times-not-rising"
  | "dropouts"
  | "low-sampling-rate"
  | "saturated"
  | "pre-tension"
  | "countermovement"
  | "unsteady"
  | "jerk"
  | "drifting"
  | "hold-shorter-than-plateau"
  | "no-effort";

/** These make a trial invalid; the others are shown and the trial counts. */
const REJECTING: ReadonlySet<TraceFlag> = new Set([
  "times-not-rising",
  "dropouts",
  "saturated",
  "countermovement",
  "unsteady",
  "jerk",
  "no-effort",
]);

export interface TraceAnalysis {
  ok: boolean;
  flags: TraceFlag[];
  baselineN: number;
  onsetS: number | null;
  /** best 0.1 s, 1 s and 3 s means above baseline, N; 3 s null when the hold is short */
  peakN: number;
  best1: number | null;
  best3: number | null;
  /** start and end of the window the result comes from, s from the first sample */
  plateau: { fromS: number; toS: number } | null;
  /** coefficient of variation in the plateau, %, about its own line */
  variationPct: number | null;
  driftPctPerS: number | null;
  /** the force used for torque: best 3 s, else best 1 s, N */
  resultN: number | null;
}

/**
 * Baseline, onset, plateau and faults of one maximal isometric push. Dosing rules F5: median of three, 100 Hz,
 * baseline of the first half second, onset staying 0.1 s above base + max(5 SD, 3 % of amplitude), best windows by
 * prefix sums. `limitN` is the load cell's range.
 */
export function analyseTrace(trace: ForceTrace, limitN = Number.POSITIVE_INFINITY): TraceAnalysis {
  if (!forceTrace.safeParse(trace).success) return rejected("times-not-rising");
  const force = resample({ timeS: trace.timeS, forceN: medianOfThree(trace.forceN) });
  const { mean: base, sd } = meanAndSd(force, 0, Math.min(force.length, RESAMPLED_HZ / 2));
  const sums = prefixSums(force);
  const peak = bestWindow(sums, 0.1);
  if (!peak) return rejected("no-effort");
  const amplitude = peak.mean - base;
  if (!(amplitude > Math.max(10, 5 * sd))) return { ...rejected("no-effort"), baselineN: base };
  const onset = findOnset(force, base + Math.max(5 * sd, 0.03 * amplitude));
  const oneSecond = bestWindow(sums, 1);
  const threeSeconds = bestWindow(sums, 3);
  const longEnough = secondsAbove(force, base + 0.8 * amplitude) >= 3;
  const window = longEnough && threeSeconds ? threeSeconds : oneSecond;
  const steadiness = window ? steadinessOf(force, window.from, window.to, base) : null;
  const best1 = oneSecond ? oneSecond.mean - base : null;

  const flags: TraceFlag[] = [];
  const flag = (name: TraceFlag, when: boolean) => {
    if (when) flags.push(name);
  };
  const gaps = samplingOf(trace);
  flag("dropouts", gaps.missingShare > 0.05 || gaps.longestGapS > 0.25);
  flag("low-sampling-rate", gaps.medianHz < 40);
  flag("saturated", trace.forceN.filter((f) => f >= 0.99 * limitN).length > 3);
  flag("pre-tension", Math.abs(base) > 0.05 * peak.mean);
  flag("countermovement", onset !== null && dipBefore(force, base, onset) > 0.05 * amplitude + 3 * sd);
  flag("unsteady", (steadiness?.variationPct ?? 0) > 10);
  flag("jerk", best1 !== null && best1 > 0 && amplitude / best1 > 1.15);
  flag("drifting", steadiness !== null && steadiness.driftPctPerS < -8);
  flag("hold-shorter-than-plateau", !longEnough);
  const best3 = longEnough && threeSeconds ? threeSeconds.mean - base : null;
  return {
    ok: !flags.some((f) => REJECTING.has(f)),
    flags,
    baselineN: base,
    onsetS: onset === null ? null : onset / RESAMPLED_HZ,
    peakN: amplitude,
    best1,
    best3,
    plateau: window ? { fromS: window.from / RESAMPLED_HZ, toS: window.to / RESAMPLED_HZ } : null,
    variationPct: steadiness?.variationPct ?? null,
    driftPctPerS: steadiness?.driftPctPerS ?? null,
    resultN: best3 ?? best1,
  };
}

/** How far the force falls below baseline before the onset: a pull back. */
function dipBefore(force: Float64Array, base: number, onset: number): number {
  let lowest = base;
  for (let i = 0; i < onset; i++) lowest = Math.min(lowest, force[i] as number);
  return base - lowest;
}

function rejected(flag: TraceFlag): TraceAnalysis {
  return {
    ok: false,
    flags: [flag],
    baselineN: 0,
    onsetS: null,
    peakN: 0,
    best1: null,
    best3: null,
    plateau: null,
    variationPct: null,
    driftPctPerS: null,
    resultN: null,
  };
}

function meanAndSd(values: Float64Array, from: number, to: number): { mean: number; sd: number } {
  const part = values.subarray(from, to);
  const mean = part.reduce((a, b) => a + b, 0) / part.length;
  const variance = part.reduce((a, b) => a + (b - mean) ** 2, 0) / part.length;
  return { mean, sd: Math.sqrt(variance) };
}

function prefixSums(values: Float64Array): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) sums[i + 1] = (sums[i] as number) + (values[i] as number);
  return sums;
}

function bestWindow(sums: Float64Array, seconds: number): { from: number; to: number; mean: number } | null {
  const n = Math.round(seconds * RESAMPLED_HZ);
  let best: { from: number; to: number; mean: number } | null = null;
  for (let from = 0; from + n < sums.length; from++) {
    const mean = ((sums[from + n] as number) - (sums[from] as number)) / n;
    if (!best || mean > best.mean) best = { from, to: from + n, mean };
  }
  return best;
}

function findOnset(force: Float64Array, threshold: number): number | null {
  const stay = 0.1 * RESAMPLED_HZ;
  for (let i = 0; i + stay <= force.length; i++) {
    let above = true;
    for (let j = i; j < i + stay && above; j++) above = (force[j] as number) > threshold;
    if (above) return i;
  }
  return null;
}

function secondsAbove(force: Float64Array, threshold: number): number {
  let longest = 0;
  let run = 0;
  let below = 0;
  for (const f of force) {
    // tremor may dip under the line for a moment without ending the hold
    if (f >= threshold) {
      run += 1 + below;
      below = 0;
    } else if (run > 0 && below < 0.1 * RESAMPLED_HZ) below++;
    else {
      run = 0;
      below = 0;
    }
    longest = Math.max(longest, run);
  }
  return longest / RESAMPLED_HZ;
}

/** Variation about the fitted line and its slope, both relative to the mean above baseline. */
function steadinessOf(force: Float64Array, from: number, to: number, base: number) {
  const n = to - from;
  const { mean } = meanAndSd(force, from, to);
  const middle = (n - 1) / 2;
  let sxy = 0;
  let sxx = 0;
  for (let i = 0; i < n; i++) {
    sxy += (i - middle) * ((force[from + i] as number) - mean);
    sxx += (i - middle) ** 2;
  }
  const slope = sxy / sxx;
  let squares = 0;
  for (let i = 0; i < n; i++) squares += ((force[from + i] as number) - mean - slope * (i - middle)) ** 2;
  const level = mean - base;
  return {
    variationPct: (Math.sqrt(squares / n) / level) * 100,
    driftPctPerS: ((slope * RESAMPLED_HZ) / level) * 100,
  };
}

function samplingOf(trace: ForceTrace): { missingShare: number; longestGapS: number; medianHz: number } {
  const steps = trace.timeS.slice(1).map((t, i) => t - (trace.timeS[i] as number));
  const sorted = [...steps].sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] as number;
  // a step of two is one sample lost: half of it is missing, not a quarter
  const missing = steps.reduce((sum, s) => sum + (s > 1.5 * median ? s - median : 0), 0);
  const total = (trace.timeS[trace.timeS.length - 1] as number) - (trace.timeS[0] as number);
  return {
    missingShare: missing / total,
    longestGapS: sorted[sorted.length - 1] as number,
    medianHz: 1 / median,
  };
}
