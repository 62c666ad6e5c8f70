import { type Coded, type Said, saidWith } from "../../units/said";
import type { AllowedArc } from "../fit/allowedArc";
import { backCautions } from "../fit/backCautions";
import { type ReferenceTask, relativeLoad, type Tissue, tissueLoad } from "../tissue/tissues";
import { type AffineAngle, jointAt } from "./affineArc";
import { brokenBy, hipSpan, isCarried, type LoadCap, loadCaps, spanOf } from "./loadCaps";
import { directionOf, type LoadContext, signOf } from "./loadContext";
import { BODY_WEIGHT, type ChosenMachine, type RealLoad, realLoads } from "./machineFor";
import { longestRun } from "./setUpArc";
import type { Station } from "./station";
import { loadedOn } from "./stationModel";
import { stationKnown, strengthAt } from "./strengthKnown";
import { demandNm, intersect, type LoadSpan, loadsUnder } from "./workingLoad";

/** What every loadable exercise is set to, so that rows can be compared. */
export type Basis =
  /** share of what the knee can give at its hardest angle */
  | { kind: "effort"; share: number }
  /** largest moment of the knee, N·m */
  | { kind: "moment"; nm: number }
  | { kind: "load"; kg: number };

export interface RowContext extends LoadContext {
  chair: ReferenceTask;
  tissue: Tissue;
  /** most of the looked-at tissue's load, as a multiple of the reference task; null: none is set */
  capTimes: number | null;
  basis: Basis;
}

/** The next real load beyond the one that is set. */
export interface NextStep extends RealLoad {
  /** why it is not open; null where it is */
  because: Said | null;
  /** the largest share of the strength that is counted on there; null where nothing says */
  share: number | null;
}

/** A set-up of an exercise, computed. */
export interface ComputedSetUp {
  chosen: ChosenMachine;
  settings: Record<string, number>;
  share: number;
  phase: -1 | 0 | 1;
  /** in the family's unit, a real step */
  load: number;
  /** how the load is set on this machine */
  how: string;
  /** more than something leaves: what, in words; null where nothing is broken. See loadCaps */
  tooHeavyBecause: Said | null;
  brokenCap: LoadCap["kind"] | null;
  /** the next harder real load; null where this is the hardest, or the body alone */
  next: NextStep | null;
  /** what everything that bounds the load leaves of it; null where the body alone is the load or nothing is left */
  open: LoadSpan | null;
  /** false: a load in between, that no machine has, for a comparison */
  isReal?: boolean;
  /** the lightest there is asks for more than it was set by; a wish, no limit */
  isAboveWish: boolean;
  /** what one should know of this posture, each with what to do */
  cautions: Said[];
  leant: Said | null;
  arc: AllowedArc;
  angles: AffineAngle[];
  points: { deg: number; value: number }[];
  /** the looked-at tissue's largest load inside the arc */
  peak: number;
  /** the same as a multiple of the reference task */
  peakTimes: number;
  /** largest and mean share of its own strength inside the arc; null where the curve says nothing sure */
  effortShare: number | null;
  meanShare: number | null;
  /** the largest share at both ends of an untested strength; null where it was tested */
  effortBand: { low: number; high: number } | null;
  /** largest moment inside the arc, N·m, in the trained direction */
  momentNm: number;
}

/**
 * A station under a load: the real one at or below what is asked for, what bounds it, tissue loads over the angles. A
 * code is the reason why nothing is left.
 */
export function loaded(
  station: Station,
  ctx: RowContext,
  asked: { load?: number | undefined } = {},
): ComputedSetUp | Coded {
  const { e, use, chosen, settings, angles, inside, arc, isBody } = station;
  const caps = loadCaps(station, ctx);
  const set =
    asked.load === undefined
      ? loadFor(station, ctx, caps)
      : { ...realLoad(chosen, asked.load, isBody), isAboveWish: false };
  const { load, how } = set;
  const broken = brokenBy(caps, load);
  const value = (a: AffineAngle) => tissueLoad(ctx.tissue, a, load, ctx.chair);
  const capped = cappedArc(arc, angles, value, ctx);
  if (!capped) return saidWith("setUp.above_cap", { times: ctx.capTimes });
  const kept = inside.filter((a) => a.deg >= capped.fromDeg && a.deg <= capped.toDeg);
  const peak = Math.max(...kept.map(value));
  const sign = signOf(e);
  const on = loadedOn(station);
  const shares = kept.flatMap((a) => {
    const own = strengthAt(ctx.strength, directionOf(e), a.deg, on);
    const demand = Math.max(0, demandNm(a, load, sign));
    return own ? [{ of: demand / own.middle, low: demand / own.high, high: demand / own.low, own }] : [];
  });
  const most = shares.reduce<(typeof shares)[number] | null>((m, x) => (m && m.of >= x.of ? m : x), null);
  return {
    chosen,
    settings,
    share: use.share,
    phase: use.phase ?? 0,
    load,
    how,
    tooHeavyBecause: broken ? broken.why(load) : null,
    brokenCap: broken?.kind ?? null,
    next: isBody ? null : nextStep(chosen, load, caps, (l) => safeShare(station, kept, l, ctx)),
    open: isBody ? null : spanOf(caps),
    isAboveWish: set.isAboveWish,
    leant: station.leant,
    cautions: backCautions(e, use, chosen, ctx, { settings, load, angles, arc: capped }),
    arc: capped,
    angles,
    points: angles.map((a) => ({ deg: a.deg, value: value(a) })),
    peak,
    peakTimes: relativeLoad(ctx.tissue, peak, ctx.chair),
    effortShare: most?.of ?? null,
    effortBand: most && !most.own.isTested ? { low: most.low, high: most.high } : null,
    meanShare: shares.length ? shares.reduce((sum, x) => sum + x.of, 0) / shares.length : null,
    momentNm: Math.max(0, ...kept.map((a) => sign * jointAt(a, load).kneeMomentNm)),
  };
}

/** The largest share of the strength that is safe to count on; null where the curve says nothing sure. */
function safeShare(
  station: Station,
  inside: readonly AffineAngle[],
  load: number,
  ctx: RowContext,
): number | null {
  const { e } = station;
  const sign = signOf(e);
  const on = loadedOn(station);
  const shares = inside.flatMap((a) => {
    const own = strengthAt(ctx.strength, directionOf(e), a.deg, on);
    return own ? [Math.max(0, demandNm(a, load, sign)) / own.low] : [];
  });
  return shares.length > 0 ? Math.max(...shares) : null;
}

function nextStep(
  { machine, family }: ChosenMachine,
  load: number,
  caps: readonly LoadCap[],
  shareAt: (load: number) => number | null,
): NextStep | null {
  const loads = realLoads(machine, family);
  const next = family.isReversed
    ? loads.findLast((l) => l.load < load - 1e-6)
    : loads.find((l) => l.load > load + 1e-6);
  if (!next) return null;
  return { ...next, because: brokenBy(caps, next.load)?.why(next.load) ?? null, share: shareAt(next.load) };
}

function cappedArc(
  arc: AllowedArc,
  angles: readonly AffineAngle[],
  value: (a: AffineAngle) => number,
  ctx: RowContext,
): AllowedArc | null {
  const cap = ctx.capTimes;
  if (cap === null) return arc;
  const run = longestRun(arc, angles, (a) => relativeLoad(ctx.tissue, value(a), ctx.chair) <= cap + 1e-9);
  if (!run) return null;
  const because = saidWith("setUp.cap", { times: cap });
  const { cutsStraight: straight, cutsBent: bent } = run;
  return {
    fromDeg: straight ? run.fromDeg : arc.fromDeg,
    toDeg: bent ? run.toDeg : arc.toDeg,
    cuts: [
      ...arc.cuts.filter((c) => (c.end === "straight" ? !straight : !bent)),
      ...(straight ? [{ end: "straight" as const, deg: run.fromDeg, because }] : []),
      ...(bent ? [{ end: "bent" as const, deg: run.toDeg, because }] : []),
    ],
  };
}

/** The real step nearest to an asked load. */
function realLoad(chosen: ChosenMachine, asked: number, isBody: boolean): RealLoad {
  if (isBody) return { load: 0, how: BODY_WEIGHT };
  return realLoads(chosen.machine, chosen.family).reduce((best, s) =>
    Math.abs(s.load - asked) < Math.abs(best.load - asked) - 1e-9 ? s : best,
  );
}

/**
 * The real step that the basis asks for and every cap allows; the easiest there is where none does. A counterweight is
 * the lightest help that keeps under it.
 */
function loadFor(
  station: Station,
  ctx: RowContext,
  caps: readonly LoadCap[],
): RealLoad & { isAboveWish: boolean } {
  const { chosen, isBody } = station;
  if (isBody) return { load: 0, how: BODY_WEIGHT, isAboveWish: false };
  const loads = realLoads(chosen.machine, chosen.family);
  const isReversed = chosen.family.isReversed ?? false;
  const easiest = (isReversed ? loads.at(-1) : loads[0]) as RealLoad;
  const wish = wishedSpan(station, ctx);
  // where the curve says nothing sure at any angle, nothing above the easiest is chosen
  if (wish === "unsure") return { ...easiest, isAboveWish: false };
  const allowed = spanOf(caps);
  const isAllowed = (l: RealLoad) =>
    allowed !== null && l.load >= allowed.least - 1e-6 && l.load <= allowed.most + 1e-6;
  const open = loads.filter(isAllowed);
  if (isReversed) {
    const best = wish && open.find((l) => l.load >= wish.least - 1e-9);
    return best ? { ...best, isAboveWish: false } : { ...easiest, isAboveWish: true };
  }
  const best = wish && open.findLast((l) => l.load >= wish.least - 1e-9 && l.load <= wish.most + 1e-9);
  return best
    ? { ...best, isAboveWish: false }
    : { ...easiest, isAboveWish: wish === null || easiest.load > wish.most + 1e-9 };
}

/** The loads that the basis asks for, by the low end of what is not known; "unsure" where the curve says nothing. */
function wishedSpan(station: Station, ctx: RowContext): LoadSpan | null | "unsure" {
  const { basis } = ctx;
  const { e, inside } = station;
  const on = loadedOn(station);
  if (basis.kind === "load") return { least: 0, most: basis.kg };
  const own = (deg: number) => strengthAt(ctx.strength, directionOf(e), deg, on)?.low ?? null;
  if (basis.kind === "moment") return loadsUnder(inside, signOf(e), () => basis.nm);
  if (inside.every((a) => own(a.deg) === null)) return "unsure";
  const knee = loadsUnder(inside, signOf(e), (deg) => {
    const nm = own(deg);
    return nm === null ? null : nm * basis.share;
  });
  const { hip } = ctx.strength;
  const isShown = stationKnown(ctx.strength, directionOf(e), on) !== null;
  // what was shown there is what hip and knee can do together
  if (!isCarried(station) || (isShown && !hip.isTested)) return knee;
  return intersect(knee, hipSpan(inside, hip.low * basis.share));
}
