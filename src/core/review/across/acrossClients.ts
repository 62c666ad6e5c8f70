import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import { daysBetween } from "../../units/days";
import { type Mean, meanOf, type Share, shareOf } from "./interval";

/** One exercise in one visit of somebody, as it counts across clients: who it was is a number and nothing else. */
export interface ExerciseVisit {
  exerciseId: string;
  client: string;
  day: string;
  stoppedByPain: boolean;
  /** the morning after; null: nobody answered, or it tells of something else */
  morning: "well" | "sore" | null;
  /** the heaviest set that was asked about, on one station without help; null: there was none */
  best: { station: string; loadKg: number; reps: number; reserve: number } | null;
}

/** What an exercise led to among the clients of one clinic. Rule Z1. */
export interface AcrossClients {
  exerciseId: string;
  visits: number;
  clients: number;
  /** too few to be held against another exercise, or to be told of anybody: then nothing but the counts is here */
  results: {
    stops: Share | null;
    sore: Share | null;
    /** a month, as a share, over clients; null: too few came often enough */
    gain: Mean | null;
  } | null;
}

/** From so much on an exercise is held against others. Rule Z1. */
export const LEAST_ACROSS = { visits: 20, clients: 5 } as const;
/** What one client gained on a station is said from so many visits over so many days on [own]. */
const LEAST_GAIN = { visits: 3, days: 21, clients: 5 } as const;
const MONTH_DAYS = 30;
/** Nearer to nothing left than this an answer tells little of what could be lifted [own]. */
const MOST_REPETITIONS = 20;

function grouped<T>(all: readonly T[], by: (x: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const x of all) {
    const own = groups.get(by(x));
    if (own) own.push(x);
    else groups.set(by(x), [x]);
  }
  return [...groups.values()];
}

/** Every exercise that was done. */
export function acrossClients(all: readonly ExerciseVisit[]): AcrossClients[] {
  return grouped(all, (v) => v.exerciseId).map((own) => {
    const exerciseId = own[0]?.exerciseId ?? "";
    const clients = new Set(own.map((v) => v.client)).size;
    const isEnough = own.length >= LEAST_ACROSS.visits && clients >= LEAST_ACROSS.clients;
    return {
      ...{ exerciseId, visits: own.length, clients },
      results: isEnough ? resultsOf(own) : null,
    };
  });
}

function resultsOf(own: readonly ExerciseVisit[]): AcrossClients["results"] {
  const told = own.filter((v) => v.morning !== null);
  const gains = grouped(own, (v) => v.client).flatMap((visits) => gainOf(visits) ?? []);
  return {
    stops: shareOf(own.filter((v) => v.stoppedByPain).length, own.length),
    sore: shareOf(told.filter((v) => v.morning === "sore").length, told.length),
    gain: gains.length >= LEAST_GAIN.clients ? meanOf(gains) : null,
  };
}

/** What one client gained a month, over the stations that were used often enough; null: on none. */
function gainOf(visits: readonly ExerciseVisit[]): number | null {
  const shown = visits.flatMap(({ day, best }) => {
    const left = best ? best.reps + best.reserve : 0;
    return best && left <= MOST_REPETITIONS
      ? [{ day, station: best.station, log: Math.log(best.loadKg * kFactorUnbounded(left)) }]
      : [];
  });
  const slopes = grouped(shown, (s) => s.station).flatMap((own) => slopeOf(own) ?? []);
  if (slopes.length === 0) return null;
  const mean = slopes.reduce((sum, s) => sum + s, 0) / slopes.length;
  return Math.exp(mean * MONTH_DAYS) - 1;
}

/** Logarithm a day, by least squares. */
function slopeOf(own: readonly { day: string; log: number }[]): number | null {
  const first = own.map((s) => s.day).sort()[0] ?? "";
  const at = own.map((s) => ({ x: daysBetween(first, s.day), y: s.log }));
  if (at.length < LEAST_GAIN.visits || Math.max(...at.map((p) => p.x)) < LEAST_GAIN.days) return null;
  const mean = (of: (p: { x: number; y: number }) => number) =>
    at.reduce((sum, p) => sum + of(p), 0) / at.length;
  const [mx, my] = [mean((p) => p.x), mean((p) => p.y)];
  return mean((p) => (p.x - mx) * (p.y - my)) / mean((p) => (p.x - mx) ** 2);
}

/** By what exercises are put in order. */
export const ACROSS_ORDERS = ["sore", "stops", "gain"] as const;
export type AcrossOrder = (typeof ACROSS_ORDERS)[number];

/** Those that may be held against each other, the better first: fewer sore mornings, fewer stops, more gain; what nobody knows last. */
export function ranked(all: readonly AcrossClients[], by: AcrossOrder): AcrossClients[] {
  const cost = ({ results }: AcrossClients): number => {
    if (!results) return Number.POSITIVE_INFINITY;
    if (by === "gain") return results.gain ? -results.gain.mean : Number.MAX_VALUE;
    const share = results[by];
    return share ? share.hits / share.of : Number.MAX_VALUE;
  };
  return all.filter((a) => a.results).sort((a, b) => cost(a) - cost(b) || b.visits - a.visits);
}
