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
 * ill.
 */
export function drift(b: Belief, days: number, daysIdle: number, bedDays = 0): Belief {
  const weeks = days / WEEK;
  const idleWeeks =
    (Math.max(0, daysIdle - IDLE_FROM_DAYS) - Math.max(0, daysIdle - days - IDLE_FROM_DAYS)) / WEEK;
  const loss = Math.min(MOST_BED_LOSS, LOSS * Math.max(0, bedDays - BED_FREE_DAYS)) + LOSS * idleWeeks;
  const isOwn = (i: number) => b.stations[i - 1]?.isOwn === true;
  const more = (i: number): number => {
    if (i === 0) return WEEKLY_SD ** 2 * (weeks + idleWeeks) + (bedDays > BED_FREE_DAYS ? BED_SD ** 2 : 0);
    return (isOwn(i) ? WEEKLY_SD : STATION_WEEKLY_SD) ** 2 * weeks;
  };
  return {
    ...b,
    mean: b.mean.map((x, i) => (i === 0 || isOwn(i) ? x - loss : x)),
    covariance: b.covariance.map((row, i) => row.map((v, j) => (i === j ? v + more(i) : v))),
  };
}

/** What is looked at: the peak alone, or what a station shows. */
export const rowOf = (b: Belief, stationId: string | null): number[] => {
  const at = stationId === null ? 0 : b.stations.findIndex((s) => s.id === stationId) + 1;
  const isOwn = at > 0 && b.stations[at - 1]?.isOwn === true;
  return b.mean.map((_, j) => ((isOwn ? j === at : j === 0 || j === at) ? 1 : 0));
};

export const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, v, i) => sum + v * (b[i] as number), 0);

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
 * One observation of a row. What is oddly low is cut to three standard deviations; what is oddly high counts only where
 * it is trusted: set as planned or offered, or confirmed. Rule L7.
 */
export function update(
  b: Belief,
  row: readonly number[],
  { y, sd, isBound = false, isMeasured = false }: Observation,
  isTrusted = true,
): { belief: Belief; seen: Seen } {
  const predicted = dot(row, b.mean);
  if (isBound && predicted >= y) return { belief: b, seen: { used: false, isOdd: false } };
  const gain = b.covariance.map((r) => dot(r, row));
  const variance = dot(row, gain) + sd ** 2;
  const gate = GATE * Math.sqrt(variance);
  const isOdd = Math.abs(y - predicted) > gate;
  if (isOdd && y > predicted && !isTrusted) return { belief: b, seen: { used: false, isOdd } };
  const step = isMeasured ? y - predicted : clamp(y - predicted, -gate, gate);
  const part = isBound ? BOUND_PART : 1;
  const g = (i: number) => gain[i] as number;
  return {
    belief: {
      ...b,
      mean: b.mean.map((v, i) => v + (g(i) / variance) * step),
      covariance: b.covariance.map((r, i) => r.map((v, j) => v - (part * g(i) * g(j)) / variance)),
    },
    seen: { used: true, isOdd },
  };
}
