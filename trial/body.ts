import { demandNm } from "@/core/capacity/station";
import { simulateHolds } from "@/core/isometrics/simulateHolds";
import type { Exercise } from "@/core/rules/exercises";
import { CREDITS, MUSCLES, type Muscle } from "@/core/schedule/balance";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { workKindOf } from "@/core/sheet/line/workKind";
import { kFactorUnbounded } from "@/core/strength/repetitionMaximum";
import { clamp } from "@/core/units/clamp";
import type { Chance } from "./chance";
import type { TrialPerson } from "./person";

/**
 * The hidden truth of somebody who really adapts, and its laws: rule T of `docs/rules.md`. Orders of magnitude, for
 * comparing ways of dosing; never a forecast for a client.
 */
export interface Body {
  /** by muscle group, over the start */
  strength: Record<Muscle, number>;
  potential: number;
  /** dose of a visit that the sore tissue takes */
  takes: number;
  usual: number;
  /** repetitions by which what is left is understated */
  bias: number;
  /** how what is left is said */
  says: "fairly" | "never" | "always_none";
  /** of the morning's pain so much is kept back */
  keepsBack: number;
  /** swollen until this day */
  swollenUntil: number;
  flareDays: number[];
  /** peak torque of an open knee extension that the graft or repair bears at the operation's week 0, N·m; null: none */
  graftNm: number | null;
  hasQuit: boolean;
  /** what a station shows over what is believed of it, drawn when it is first met */
  stations: Map<string, number>;
  /** peak torque on a station at the start, N·m, by what is believed of the untested leg */
  startsNm: Map<string, number>;
}

const STATION_SD = 0.2;
const UNLIKE_LEG = 0.05;

export function bodyOf(p: TrialPerson, chance: Chance): Body {
  const { truth } = p;
  const said = chance.share();
  return {
    strength: Object.fromEntries(MUSCLES.map((m) => [m, 1])) as Record<Muscle, number>,
    potential: truth.potential,
    takes: truth.takes,
    usual: p.pain.usual,
    bias: truth.reserveBias,
    says: said < 0.075 ? "never" : said < 0.15 ? "always_none" : "fairly",
    keepsBack: chance.share() < 0.1 ? 1.5 : 0,
    swollenUntil: -1,
    flareDays: [],
    graftNm: isMended(p.condition) ? GRAFT_NM_KG * p.massKg * Math.exp(GRAFT_SD * chance.normal()) : null,
    hasQuit: false,
    stations: new Map(),
    startsNm: new Map(),
  };
}

const GRAFT_NM_KG = 0.8;
const GRAFT_SD = 0.15;
/** Of what it bears in week 0 it gains so much a week. */
const GRAFT_A_WEEK = 0.07;
const isMended = (condition: string): boolean => /reconstruction|repair/.test(condition);

/** What the graft or repair bears on a day, N·m. */
export const graftToday = (b: Body, p: TrialPerson, day: number): number =>
  (b.graftNm ?? Number.POSITIVE_INFINITY) * (1 + GRAFT_A_WEEK * (p.week + day / 7));

/** The group that a line asks the most of; null: none is trained by it. */
export function mainMuscleOf(e: Exercise | null): Muscle | null {
  const kind = e && workKindOf(e);
  if (!kind) return null;
  const [most] = Object.entries(CREDITS[kind]).sort((a, b) => b[1] - a[1]);
  return (most?.[0] as Muscle | undefined) ?? null;
}

/** What the muscle of a line can do on its station on a day, N·m; `startNm`: at the start, as it is believed. */
export function capacityNm(
  b: Body,
  id: string,
  e: Exercise | null,
  startNm: number,
  p: TrialPerson,
  chance: Chance,
  day: number,
): number {
  const shows = b.stations.get(id) ?? Math.exp(STATION_SD * chance.normal() + UNLIKE_LEG * chance.normal());
  b.stations.set(id, shows);
  const start = b.startsNm.get(id) ?? startNm * shows * p.truth.errorOfGuess;
  b.startsNm.set(id, start);
  const muscle = mainMuscleOf(e);
  const swollen = day < b.swollenUntil ? 0.9 : 1;
  return start * (muscle ? b.strength[muscle] : 1) * swollen;
}

const TABLE = Array.from({ length: 2400 }, (_, i) => kFactorUnbounded(i / 40));
/** Repetitions that a multiple of a load allows. */
export function repetitionsAt(ratio: number): number {
  if (ratio <= 1) return ratio >= 0.97 ? 1 : 0;
  let [low, high] = [40, 2399];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((TABLE[middle] as number) < ratio) low = middle;
    else high = middle;
  }
  return low / 40;
}

export interface SetOfBody {
  reps: number;
  /** repetitions really left */
  left: number;
  hasFailed: boolean;
  said: number | null;
  /** of what can be lifted once today */
  share: number;
  effective: number;
}

/** One set of repetitions, and what is said of it. */
export function setOf(b: Body, chance: Chance, ratio: number, reps: number, factor: number): SetOfBody {
  const can = repetitionsAt(ratio) * factor;
  const done = Math.min(reps, Math.floor(can));
  const left = Math.max(0, can - done);
  const share = 1 / Math.max(1e-6, ratio);
  const hasFailed = done < reps;
  const fair = clamp(Math.round(left - b.bias + chance.normal() * (0.5 + 0.25 * left)), 0, 10);
  const said = hasFailed || b.says === "never" ? null : b.says === "always_none" ? 0 : fair;
  const near = left <= 4 ? 1 : left <= 6 ? 0.5 : 0.15;
  return {
    reps: done,
    left,
    hasFailed,
    said,
    share,
    effective: done === 0 || share < 0.3 ? 0 : Math.min(1, (share - 0.3) / 0.3 + 0.25) * near,
  };
}

// few ways to hold, each felt by its share: simulated once
const felt = new Map<string, number>();
/** Felt effort at the end of a hold of so large a share. */
export function feltAt(share: number, holds: { reps: number; holdS: number; restS: number }): number {
  const at = clamp(Math.round(share * 50) / 50, 0.04, 0.98);
  const key = `${at} ${holds.reps} ${holds.holdS} ${holds.restS}`;
  const known =
    felt.get(key) ??
    simulateHolds("knee", at, { ...holds, sets: 1, setRestS: 0 }).holds.at(-1)?.effortEnd ??
    5;
  felt.set(key, known);
  return known;
}

/** How much of a line's work lands on what is sore. */
export function onSoreTissue(e: Exercise | null, region: string): number {
  const kind = e && workKindOf(e);
  if (!e || !kind) return 0;
  if (region === "lumbar") return e.lumbar.demand_0_3 / 3;
  const onKnee = {
    press_or_squat: 1,
    extension: 1,
    curl: 0.3,
    hinge: 0.3,
    bridge: 0.2,
    calf: 0.1,
    abduction: 0.1,
    trunk: 0,
    adduction: 0.1,
  };
  const onHip = {
    press_or_squat: 1,
    extension: 0.2,
    curl: 0.2,
    hinge: 1,
    bridge: 0.6,
    calf: 0.1,
    abduction: 0.7,
    trunk: 0.1,
    adduction: 0.7,
  };
  if (region === "hip") return onHip[kind];
  return region === "knee" ? onKnee[kind] : 0.5 * onKnee[kind];
}

/** What a set puts on the tissue: ten repetitions at 60 % of the start are 1, a hold's four seconds are a repetition. */
export const doseOf = (reps: number, demand: number, startNm: number, on: number): number =>
  (on * (reps / 10) * (demand / startNm)) / 0.6;

const SORE_FROM = 1.2;
const SWELLS_FROM = 1.6;

export interface MorningOfBody {
  pain: number;
  isFlare: boolean;
  isSwollen: boolean;
}

/** The morning after a visit of so large a dose: what it took moves what it takes. */
export function morningAfter(b: Body, chance: Chance, dose: number, day: number): MorningOfBody {
  const load = dose / b.takes;
  const pain = Math.max(0, Math.round(b.usual + 3 * Math.max(0, load - SORE_FROM) + 0.7 * chance.normal()));
  const isFlare = pain >= b.usual + 2;
  const isSwollen = load > SWELLS_FROM;
  b.takes *= isFlare ? 0.95 : load > 0.6 && load < 1.1 ? 1.02 : 1;
  if (isSwollen) b.swollenUntil = day + 7;
  if (isFlare) {
    b.flareDays.push(day);
    if (b.flareDays.filter((d) => day - d < 21).length >= 2 && chance.share() < 0.3) b.hasQuit = true;
  }
  return { pain, isFlare, isSwollen };
}

/** A week of so many really effective sets by muscle group. */
export function weekPasses(b: Body, effective: Readonly<Partial<Record<Muscle, number>>>): void {
  for (const m of MUSCLES) {
    const sets = effective[m] ?? 0;
    const room = Math.max(0, (b.potential - b.strength[m]) / (b.potential - 1));
    b.strength[m] += sets < 1 ? -0.005 : 0.035 * room * (1 - Math.exp(-sets / 4));
  }
}

/** Peak torque that a line at rest of its station asks, where it has one. */
export const demandOf = (station: NonNullable<KeptLine["station"]>, loadKg: number): number =>
  Math.max(1e-3, demandNm(station, loadKg));
