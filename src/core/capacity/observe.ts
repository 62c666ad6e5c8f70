import { kFactorUnbounded } from "../strength/repetitionMaximum";
import { type Belief, lookedAt, type Observation, type Seen, update } from "./filter";
import { demandNm, type Station } from "./station";

type After = { belief: Belief; seen: Seen };

/** A strength trial: torque at an angle of so much of the peak, degrees from the nearest angle that was tested. */
export interface Trial {
  torqueNm: number;
  shape: number;
  farDeg?: number;
  isFixed?: boolean;
  /** how far its trials lie apart, as a share */
  disagree?: number;
}

/** Doubt of a cell that is fixed and of one held by hand; a carried angle doubts more. Rule L2. */
const FIXED_SD = 0.06;
const BY_HAND_SD = 0.1;
const FAR_SD = 0.03 / 15;

export const seeTrial = (
  b: Belief,
  { torqueNm, shape, farDeg = 0, isFixed = true, disagree = 0 }: Trial,
): After =>
  update(b, lookedAt(b, null), {
    y: Math.log(torqueNm / shape),
    sd: Math.hypot(isFixed ? FIXED_SD : BY_HAND_SD, FAR_SD * farDeg, disagree / 2),
    isMeasured: true,
  });

/** How a set ended: as planned, because the muscle gave out, or for anything else. */
export type Ended = "planned" | "muscle" | "other";

/** A set of one leg, or of both, as it was really done. */
export interface DoneSet {
  loadKg: number;
  reps: number;
  /** repetitions left, as said; null: not asked */
  reserve: number | null;
  ended: Ended;
  /** after surgery or easily stirred up: what is said of the reserve is taken as it is */
  isStrict?: boolean;
  /** who is new to training is off by a repetition more. Rule Background */
  isNovice?: boolean;
}

/** Each later set of a visit is doubted more. */
const LATER_SD = 0.02;
const BOUND_SD = 0.15;
const LEAST_VISIT_SD = 0.06;
const MOST_BOUND_REPS = 40;
/** From here on a reserve is badly judged, and so many repetitions tell little. */
const BAD_RESERVE = 6;
const MANY_REPS = 30;
const MOST_ADDED = 5;
/** People understate what is left by about one. */
const UNDERSTATED = 1;
const HALF_A_REP = 0.3;

/** `Math.hypot` of two, many times faster: it is asked of every set of ten years. */
const rootOf = (a: number, b: number): number => Math.sqrt(a * a + b * b);

/** What a repetition more or less is of what could be lifted once. */
const oneMore = (r: number, m: number): number =>
  Math.log(kFactorUnbounded(r + 1 / m)) - Math.log(kFactorUnbounded(r));

/** What one set says: a value, a lower bound, or nothing. Rule L4. */
function setSays(station: Station, set: DoneSet, index: number): Observation | null {
  const { reps, reserve } = set;
  if (reps < 1) return null;
  const ln = Math.log(demandNm(station, set.loadKg));
  const m = station.repetitionsFactor;
  const later = LATER_SD * index;
  const at = (r: number) => ln + Math.log(kFactorUnbounded(Math.max(1, r / m)));
  const bound = (r: number): Observation => ({
    y: at(Math.min(MOST_BOUND_REPS, r)),
    sd: BOUND_SD,
    isBound: true,
  });
  if (set.ended === "muscle") return { y: at(reps + HALF_A_REP), sd: rootOf(LEAST_VISIT_SD, later) };
  if (set.ended !== "planned" || reserve === null) return bound(reps);
  if (reserve >= BAD_RESERVE || reps + reserve > MANY_REPS)
    return bound(reps + Math.min(MOST_ADDED, reserve));
  const r = (reps + reserve + (set.isStrict ? 0 : UNDERSTATED)) / m;
  const base = r <= 6 ? 0.05 : r <= 10 ? 0.08 : r <= 15 ? 0.12 : 0.2;
  return {
    y: ln + Math.log(kFactorUnbounded(r)),
    sd: rootOf(rootOf(base + 0.02 * Math.max(0, reserve - 1), later), set.isNovice ? oneMore(r, m) : 0),
  };
}

/**
 * All sets of one visit, side and station: one observation, since they share the day and how the reserve is judged.
 * `isTrusted`: what was set is what was planned or offered, or somebody confirmed it. Rule L4.
 */
export function seeVisit(b: Belief, station: Station, sets: readonly DoneSet[], isTrusted = true): After {
  const said = sets.map((s, j) => setSays(station, s, j)).filter((x) => x !== null);
  const values = said.filter((x) => !x.isBound);
  const looked = lookedAt(b, station.id);
  if (values.length > 0) {
    const weights = values.map((x) => x.sd ** -2);
    const all = weights.reduce((sum, w) => sum + w, 0);
    const y = values.reduce((sum, x, i) => sum + (weights[i] as number) * x.y, 0) / all;
    return update(b, looked, { y, sd: Math.max(LEAST_VISIT_SD, all ** -0.5) }, isTrusted);
  }
  const highest = said.reduce<Observation | null>((most, x) => (most && most.y >= x.y ? most : x), null);
  return highest ? update(b, looked, highest, isTrusted) : { belief: b, seen: { used: false, isOdd: false } };
}

/** Holds of one line and visit: the share of what can be held that felt effort, or giving out, stands for. Rule L4. */
export interface DoneHolds {
  demandNm: number;
  shape: number;
  share: number;
  gaveOut: boolean;
  /** how long this person holds is known from two holds against a test */
  isTimed?: boolean;
}

const FELT_SD = 0.25;
const GAVE_OUT_SD = 0.21;
const TIMED_SD = 0.12;

export const seeHolds = (b: Belief, h: DoneHolds): After =>
  update(b, lookedAt(b, null), {
    y: Math.log(h.demandNm / h.shape / h.share),
    sd: h.gaveOut ? (h.isTimed ? TIMED_SD : GAVE_OUT_SD) : FELT_SD,
  });

const DAILY_SD = 0.2;

/** What is done every day is a lower bound, once per answer. Rule L2. */
export const seeDaily = (b: Belief, d: { demandNm: number; shape: number }): After =>
  update(b, lookedAt(b, null), { y: Math.log(d.demandNm / d.shape), sd: DAILY_SD, isBound: true });

/** Of what was said to be left so much is counted as done: half, and no more than this; strict none. Rule L6 [own]. */
const MOST_CREDITED = 4;

/** Logarithm of the peak torque that a set proves by being done, whatever is believed; null: it proves nothing. Rule L6. */
export function provedBy(station: Station, set: DoneSet): number | null {
  // what pain, time or a lost position ended says nothing, as for the estimate (L4)
  if (set.reps < 1 || set.ended === "other") return null;
  const said = set.ended === "planned" && !set.isStrict ? (set.reserve ?? 0) : 0;
  const reps = set.reps + Math.min(MOST_CREDITED, Math.floor(said / 2));
  const k = kFactorUnbounded(Math.max(1, Math.min(MOST_BOUND_REPS, reps) / station.repetitionsFactor));
  const nm = demandNm(station, set.loadKg) * k;
  return nm > 0 ? Math.log(nm) : null;
}
