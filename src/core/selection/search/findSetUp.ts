import { withMore } from "../../bounds/inForce";
import type { Limit } from "../../bounds/limit";
import { geometryOf, notchesOf } from "../../equipment/machine";
import type { Exercise } from "../../rules/exercises";
import { type Said, saidWith } from "../../units/said";
import type { AllowedArc } from "../fit/allowedArc";
import type { ExerciseUse } from "../fit/exerciseUse";
import {
  type AffineAngle,
  affineArc,
  anglesOf,
  jointAt,
  tissueAt,
  withTrunkTurned,
} from "../setUp/affineArc";
import { loadCaps, spanOf } from "../setUp/loadCaps";
import { directionOf, shareLimit, signOf } from "../setUp/loadContext";
import { BODY_WEIGHT, type ChosenMachine, realLoads, settingsAtNotches } from "../setUp/machineFor";
import type { RowContext } from "../setUp/row";
import { setUpArc } from "../setUp/setUpArc";
import { rollsOn, STEP_DEG } from "../setUp/solveSetUp";
import { outOfReach } from "../setUp/station";
import { loadedOn } from "../setUp/stationModel";
import { NOT_SEARCHED, STOPS, TRUNK } from "../setUp/stops";
import { strengthAt } from "../setUp/strengthKnown";
import { relativeLoad, tissueLoad } from "../tissue/tissues";

/** What a search may use and must keep. */
export interface SearchWish {
  /** most share of its own strength at the hardest angle */
  effortShare: number;
  /** most of the looked-at tissue's load as a multiple of the reference task; null: no cap */
  capTimes: number | null;
  /** keep the low back from rounding, limit or not */
  keepBack: boolean;
}

export interface FoundSetUp {
  settings: Record<string, number>;
  load: number;
  how: string;
  fromDeg: number;
  toDeg: number;
  /** mean share of its own strength over the arc times the arc's width in degrees: what it trains */
  training: number;
  meanShare: number;
  peakShare: number;
  peakTimes: number;
  pelvicTuckDeg: number;
  /** what it gives up against the best training and the least tissue load */
  givesUp: Said;
}

export interface SearchResult {
  found: FoundSetUp[];
  /** set-ups looked at: settings x loads x angles */
  evaluations: number;
  /** why nothing was found */
  why: Said | null;
}

const MOST_SHOWN = 4;
const LEAST_ARC_DEG = 15;

const KEEP_BACK: Limit = {
  id: "search-keeps-back",
  kind: "back_bending",
  low: null,
  high: null,
  word: "avoid",
  names: [],
  origin: "therapist",
  reason: "setUp.search_keeps_back",
  endsOn: null,
};

/** Every combination of notches, the last setting turning fastest. */
function* combinations(
  specs: readonly { key: string; values: readonly number[] }[],
): Generator<Record<string, number>> {
  const [first, ...rest] = specs;
  if (!first) {
    yield {};
    return;
  }
  for (const value of first.values)
    for (const others of combinations(rest)) yield { [first.key]: value, ...others };
}

/**
 * Search over a machine's notches, stops and real loads for the most training under limits and caps, given as the few
 * best on the trade-off between training and tissue load: no hidden single score. Geometry is solved once per setting
 * and angle, since moments are affine in the load. `onProgress` gets shares from 0 to 1.
 */
export function findSetUp(
  e: Exercise,
  use: ExerciseUse,
  chosen: ChosenMachine,
  allowed: AllowedArc,
  ctx: RowContext,
  wish: SearchWish,
  onProgress: (share: number) => void = () => {},
): SearchResult {
  const { family, machine } = chosen;
  const geometry = geometryOf(machine);
  const usual = settingsAtNotches(chosen, use);
  const specs = family.settings.map((s) => ({
    key: s.key,
    values: NOT_SEARCHED.has(s.key) ? [usual[s.key] as number] : notchesOf(machine, s).map((n) => n.value),
  }));
  const of = (wanted: (key: string) => boolean) => [...combinations(specs.filter((s) => wanted(s.key)))];
  const turnings = of((key) => !STOPS.has(key) && !TRUNK.has(key));
  const backs = of((key) => TRUNK.has(key));
  const stopSets = of((key) => STOPS.has(key));
  const loads = use.isUnloaded ? [{ load: 0, how: BODY_WEIGHT }] : realLoads(machine, family);
  const degs = anglesOf(family, STEP_DEG).filter((deg) => deg <= e.knee_angle_usable_deg.max);
  const limits = wish.keepBack ? withMore(ctx.limits, [KEEP_BACK]) : ctx.limits;
  const limit = shareLimit(e, ctx.limits);
  const most = Math.min(wish.effortShare, limit.share);
  const isBody = use.isUnloaded === true || !family.load;
  const on = loadedOn({ e, chosen, use });
  const front: Candidate[] = [];
  let evaluations = 0;
  for (const [i, turned] of turnings.entries()) {
    const first = affineArc(
      ctx.body,
      family,
      geometry,
      { settings: { ...usual, ...turned }, share: use.share, phase: use.phase ?? 0 },
      degs,
    );
    if (first.length === 0) continue;
    const judged = loads.map((l) => ({ ...l, each: first.map((a) => judge(a, l.load, on, e, ctx, isBody)) }));
    // of backs and stops that leave the same arc only the tidiest is worth looking at: loads are the same
    const arcs = new Map<string, ArcSetUp>();
    for (const back of backs) {
      // a back turns the hip degree for degree, and nothing else
      const turnedDeg = Object.entries(back).reduce((sum, [key, deg]) => sum + (usual[key] ?? deg) - deg, 0);
      const angles = withTrunkTurned(first, turnedDeg);
      evaluations += angles.length * stopSets.length * loads.length;
      for (const stop of stopSets) {
        const settings = { ...usual, ...turned, ...back, ...stop };
        if (outOfReach(ctx.body, chosen, settings)) continue;
        const ends = family.ends(ctx.body, geometry, settings);
        const arc = setUpArc(allowed, ends, angles, limits, rollsOn(ctx.body, chosen));
        if (!arc || arc.toDeg - arc.fromDeg < (e.match.static_hold ? 0 : LEAST_ARC_DEG)) continue;
        const key = `${grid(arc.fromDeg)} ${grid(arc.toDeg)}`;
        const next: ArcSetUp = {
          arc,
          settings,
          pelvicTuckDeg: mostTuck(angles, arc),
          unusual: distanceFromUsual(settings, usual),
          slack: ends.reduce(
            (sum, x) => sum + Math.abs(x.deg - (x.end === "bent" ? arc.toDeg : arc.fromDeg)),
            0,
          ),
        };
        const known = arcs.get(key);
        if (!known || !isTidier(known, next)) arcs.set(key, next);
      }
    }
    for (const { arc, settings, pelvicTuckDeg, unusual, slack } of arcs.values()) {
      const inside = first.filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg);
      const span = spanOf(loadCaps({ e, use, chosen, settings, inside, isBody }, ctx));
      if (!span) continue;
      for (const { load, how, each } of judged) {
        if (load > span.most + 1e-6 || load < span.least - 1e-6) continue;
        const found = worth(each, arc, most, wish.capTimes);
        if (found)
          keepIfBetter(front, { settings, load, how, ...found, pelvicTuckDeg, givesUp: "", unusual, slack });
      }
    }
    onProgress((i + 1) / turnings.length);
  }
  const few = fewOf(front);
  return { found: few, evaluations, why: few.length ? null : whyNothing(most, wish) };
}

/** What breaks ties between set-ups that train and load alike. */
interface Tidiness {
  pelvicTuckDeg: number;
  /** how far settings are from the usual ones */
  unusual: number;
  /** degrees between stops and the arc's ends: near stops keep the limit by themselves */
  slack: number;
}
interface ArcSetUp extends Tidiness {
  arc: AllowedArc;
  settings: Record<string, number>;
}

/** Less rounding of the back first, then nearer stops, then what is more usual. */
const isTidier = (f: Tidiness, x: Tidiness): boolean => {
  if (Math.abs(f.pelvicTuckDeg - x.pelvicTuckDeg) > 0.5) return f.pelvicTuckDeg < x.pelvicTuckDeg;
  if (Math.abs(f.slack - x.slack) > 0.5) return f.slack < x.slack;
  return f.unusual <= x.unusual;
};

const mostTuck = (angles: readonly AffineAngle[], arc: AllowedArc): number =>
  Math.max(
    0,
    ...angles.filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg).map((a) => a.pelvicTuckDeg),
  );

/** How many settings are not at their usual notch, by how much of themselves: breaks ties. */
const distanceFromUsual = (settings: Record<string, number>, usual: Record<string, number>): number =>
  Object.entries(settings).reduce(
    (sum, [key, v]) =>
      STOPS.has(key) ? sum : sum + Math.abs(v - (usual[key] ?? v)) / (Math.abs(usual[key] ?? 1) + 0.1),
    0,
  );

const grid = (deg: number): number => Math.round(deg / STEP_DEG);

interface Judged {
  deg: number;
  /** share of its strength: as it is shown, and by the low end of what nobody tested, as it is bounded */
  share: number | null;
  safeShare: number | null;
  times: number;
}

/** Untested strength counts by its low end for what is loaded, by its middle for the body alone (corrections K2). */
function judge(
  a: AffineAngle,
  load: number,
  on: string | null,
  e: Exercise,
  ctx: RowContext,
  isBody: boolean,
): Judged {
  const strength = strengthAt(ctx.strength, directionOf(e), a.deg, on);
  const demand = Math.max(0, signOf(e) * jointAt(a, load).kneeMomentNm);
  const times =
    ctx.tissue === "kneecap"
      ? tissueAt(a, load).kneecapStressMPa / ctx.chair.stressMPa
      : relativeLoad(ctx.tissue, tissueLoad(ctx.tissue, a, load, ctx.chair), ctx.chair);
  return {
    deg: a.deg,
    share: strength && demand / strength.middle,
    safeShare: strength && demand / (isBody ? strength.middle : strength.sure),
    times,
  };
}

/** What an arc trains and costs; null where it breaks a cap. */
function worth(each: readonly Judged[], arc: AllowedArc, mostShare: number, capTimes: number | null) {
  let sum = 0;
  let count = 0;
  let peakShare = 0;
  let peakTimes = 0;
  for (const j of each) {
    if (j.deg < arc.fromDeg || j.deg > arc.toDeg) continue;
    if (capTimes !== null && j.times > capTimes + 1e-9) return null;
    peakTimes = Math.max(peakTimes, j.times);
    if (j.share === null) continue;
    if ((j.safeShare ?? 0) > mostShare + 1e-9) return null;
    peakShare = Math.max(peakShare, j.share);
    sum += j.share;
    count += 1;
  }
  if (count === 0) return null;
  const meanShare = sum / count;
  return {
    fromDeg: arc.fromDeg,
    toDeg: arc.toDeg,
    meanShare,
    peakShare,
    peakTimes,
    training: meanShare * Math.max(STEP_DEG, arc.toDeg - arc.fromDeg),
  };
}

type Candidate = FoundSetUp & Tidiness;

/** Keeps the front of the trade-off; of two that train and load alike, the one with less rounding, then the more usual. */
function keepIfBetter(front: Candidate[], x: Candidate): void {
  for (const f of front) {
    const isAlike =
      Math.abs(f.training - x.training) < 0.005 * x.training && Math.abs(f.peakTimes - x.peakTimes) < 0.01;
    if (isAlike ? isTidier(f, x) : f.training >= x.training && f.peakTimes <= x.peakTimes) return;
  }
  for (let i = front.length - 1; i >= 0; i--) {
    const f = front[i] as Candidate;
    if (
      (x.training >= f.training && x.peakTimes <= f.peakTimes) ||
      (Math.abs(f.training - x.training) < 0.005 * x.training && Math.abs(f.peakTimes - x.peakTimes) < 0.01)
    )
      front.splice(i, 1);
  }
  front.push(x);
}

/** The most training, the least tissue load that still trains half as much, and even steps between. */
function fewOf(front: Candidate[]): FoundSetUp[] {
  const sorted = [...front].sort((a, b) => b.training - a.training);
  const best = sorted[0];
  if (!best) return [];
  const worthwhile = sorted.filter((f) => f.training >= 0.5 * best.training);
  const picked = new Set<Candidate>();
  for (let i = 0; i < MOST_SHOWN; i++) {
    const at = Math.round((i / Math.max(1, MOST_SHOWN - 1)) * (worthwhile.length - 1));
    picked.add(worthwhile[at] as Candidate);
  }
  const few = [...picked];
  const gentlest = few.at(-1) as Candidate;
  return few.map(({ unusual: _unusual, slack: _slack, ...f }, i) => ({
    ...f,
    givesUp: givenUp(few[i] as Candidate, best, gentlest),
  }));
}

/** What a found set-up gives up: training against the most of them, and load against the gentlest. */
const givenUp = (f: Candidate, best: Candidate, gentlest: Candidate): Said =>
  saidWith("setUp.gives_up", {
    isBest: f === best,
    isGentlest: f === gentlest,
    training: 1 - f.training / best.training,
    moreTimes: f.peakTimes - gentlest.peakTimes,
  });

const whyNothing = (most: number, { capTimes, keepBack }: SearchWish): Said =>
  saidWith("setUp.nothing_found", { most, capTimes, keepBack });
