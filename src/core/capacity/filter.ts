import { clamp } from "../units/clamp";

/** What stands before anything was seen: peak torque and its doubt as a standard deviation of its logarithm. */
export interface Prior {
  peakNm: number;
  sd: number;
}

/** A station as it is first heard of. */
export interface NewStation {
  id: string;
  /** doubt of what it shows against what the model says: 0.10 where it was calibrated, 0.20 else */
  sd: number;
  isOwn: boolean;
}

/**
 * What is believed of one movement on one side: the logarithm of its peak isometric torque first, then for each station
 * how far it shows otherwise, with the covariance of all of it. Rule L1.
 */
export interface Belief {
  mean: number[];
  covariance: number[][];
  stations: readonly Pick<NewStation, "id" | "isOwn">[];
}

/** What an observation did. */
export interface Seen {
  used: boolean;
  /** further from what was believed than three standard deviations */
  isOdd: boolean;
}

export function begin(prior: Prior, stations: readonly NewStation[] = []): Belief {
  const belief: Belief = { mean: [Math.log(prior.peakNm)], covariance: [[prior.sd ** 2]], stations: [] };
  return stations.reduce(withStation, belief);
}

/** The same with one station more, of which nothing was seen: one of its own starts from what is believed of the leg. */
export function withStation(b: Belief, s: NewStation): Belief {
  const variance = s.sd ** 2 + (s.isOwn ? (b.covariance[0]?.[0] as number) : 0);
  return {
    mean: [...b.mean, s.isOwn ? (b.mean[0] as number) : 0],
    covariance: [...b.covariance.map((row) => [...row, 0]), [...b.mean.map(() => 0), variance]],
    stations: [...b.stations, { id: s.id, isOwn: s.isOwn }],
  };
}

const WEEK = 7;
/** Doubt that a week brings, of the leg and of a station. */
const WEEKLY_SD = 0.03;
const STATION_WEEKLY_SD = 0.01;
/** What is lost a week after so many idle days, and a day in bed from the third on. Rule L5 [own]. */
const IDLE_FROM_DAYS = 14;
const LOSS = 0.007;
const BED_FREE_DAYS = 2;
const MOST_BED_LOSS = 0.25;
const BED_SD = 0.1;

/**
 * Time passes: days since the last record, days since the movement was last worked, and of them days in a brace, a bed or
 * ill. The belief that is given is changed and given back, so that folding thousands leaves nothing behind.
 */
export function drift(b: Belief, days: number, daysIdle: number, bedDays = 0): Belief {
  const weeks = days / WEEK;
  const idleWeeks =
    (Math.max(0, daysIdle - IDLE_FROM_DAYS) - Math.max(0, daysIdle - days - IDLE_FROM_DAYS)) / WEEK;
  const loss = Math.min(MOST_BED_LOSS, LOSS * Math.max(0, bedDays - BED_FREE_DAYS)) + LOSS * idleWeeks;
  const isInBed = bedDays > BED_FREE_DAYS;
  for (let i = 0; i < b.mean.length; i++) {
    const isOwn = b.stations[i - 1]?.isOwn === true;
    if (i === 0 || isOwn) b.mean[i] = (b.mean[i] as number) - loss;
    const row = b.covariance[i] as number[];
    row[i] =
      (row[i] as number) +
      (i === 0
        ? WEEKLY_SD ** 2 * (weeks + idleWeeks) + (isInBed ? BED_SD ** 2 : 0)
        : (isOwn ? WEEKLY_SD : STATION_WEEKLY_SD) ** 2 * weeks);
  }
  return b;
}

/** Of what a look is the sum: the peak alone, a station's own scalar, or the peak and how a station shows otherwise. */
export type Looked = readonly number[];

export function lookedAt(b: Belief, stationId: string | null): Looked {
  const at = stationId === null ? 0 : b.stations.findIndex((s) => s.id === stationId) + 1;
  if (at === 0) return [0];
  return b.stations[at - 1]?.isOwn ? [at] : [0, at];
}

/** Middle and variance of what is looked at. */
export function believed(b: Belief, looked: Looked): { mean: number; variance: number } {
  let mean = 0;
  let variance = 0;
  for (const i of looked) {
    mean += b.mean[i] as number;
    for (const j of looked) variance += b.covariance[i]?.[j] as number;
  }
  return { mean, variance };
}

/** Beyond so many standard deviations something is odd. */
const GATE = 3;
/** A lower bound narrows the doubt by half of what a value would. */
const BOUND_PART = 0.5;

export interface Observation {
  /** logarithm of the torque */
  y: number;
  sd: number;
  /** at least so much: says nothing where more is believed already */
  isBound?: boolean;
  /** measured with a cell: no slip of a finger, and taken whole however far it lies off */
  isMeasured?: boolean;
}

/**
 * One observation. What is oddly low is cut to three standard deviations; what is oddly high counts only where it is
 * trusted: set as planned or offered, or confirmed. The belief that is given is changed and given back. Rule L7.
 */
export function update(
  b: Belief,
  looked: Looked,
  { y, sd, isBound = false, isMeasured = false }: Observation,
  isTrusted = true,
): { belief: Belief; seen: Seen } {
  const was = believed(b, looked);
  if (isBound && was.mean >= y) return { belief: b, seen: { used: false, isOdd: false } };
  const variance = was.variance + sd ** 2;
  const gate = GATE * Math.sqrt(variance);
  const isOdd = Math.abs(y - was.mean) > gate;
  if (isOdd && y > was.mean && !isTrusted) return { belief: b, seen: { used: false, isOdd } };
  const step = isMeasured ? y - was.mean : clamp(y - was.mean, -gate, gate);
  const gain: number[] = [];
  for (const row of b.covariance) {
    let sum = 0;
    for (const j of looked) sum += row[j] as number;
    gain.push(sum);
  }
  const part = (isBound ? BOUND_PART : 1) / variance;
  for (let i = 0; i < gain.length; i++) {
    const g = gain[i] as number;
    // most stations know nothing of each other
    if (g === 0) continue;
    b.mean[i] = (b.mean[i] as number) + (g / variance) * step;
    const row = b.covariance[i] as number[];
    for (let j = 0; j < gain.length; j++) row[j] = (row[j] as number) - part * g * (gain[j] as number);
  }
  return { belief: b, seen: { used: true, isOdd } };
}
