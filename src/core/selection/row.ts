import type { Body } from "../body/segments";
import type { InForce } from "../bounds/inForce";
import type { BoundKind } from "../bounds/kinds";
import { geometryOf, notchesOf } from "../equipment/machine";
import type { Exercise } from "../rules/exercises";
import { GRAVITY_M_S2 } from "../units/mass";
import { type AffineAngle, affineArc, anglesOf, jointAt } from "./affineArc";
import type { AllowedArc } from "./allowedArc";
import type { ExerciseUse } from "./exerciseUse";
import { footForceN } from "./footForce";
import { BODY_WEIGHT, type ChosenMachine, realLoads, settingsAtNotches } from "./machineFor";
import { longestRun, setUpArc } from "./setUpArc";
import { fitStops, TRUNK } from "./stops";
import { type Direction, type KnownStrength, strengthAt } from "./strengthKnown";
import { type ReferenceTask, relativeLoad, type Tissue, tissueLoad } from "./tissues";
import type { WeightOnLeg } from "./weightOnLeg";
import { demandNm, loadsUnder } from "./workingLoad";

/** What every loadable exercise is set to, so that rows can be compared. */
export type Basis =
  /** share of what the knee can give at its hardest angle */
  | { kind: "effort"; share: number }
  /** largest moment of the knee, N·m */
  | { kind: "moment"; nm: number }
  | { kind: "load"; kg: number };

export interface RowContext {
  limits: InForce;
  body: Body;
  strength: KnownStrength;
  chair: ReferenceTask;
  tissue: Tissue;
  /** most of the looked-at tissue's load, as a multiple of the reference task; null: none is set */
  capTimes: number | null;
  basis: Basis;
  weight: WeightOnLeg;
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
  /** even the least of it is more than the rows are compared at, or more than limits leave: what, in words */
  tooHeavyBecause: string | null;
  /** more than limits leave, not only more than what it was set by */
  isOverLimit: boolean;
  /** share of its strength that limits leave; without one, the most that is planned with */
  mostShare: number;
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
  /** largest moment inside the arc, N·m, in the trained direction */
  momentNm: number;
}

/** Part of the open arc that is used on purpose: a range window, or with equal ends a hold's angle. */
export interface KneeWindow {
  fromDeg: number;
  toDeg: number;
}

/** The arc with a window's ends; null where the window leaves it. */
export const insideOf = (arc: AllowedArc, w: KneeWindow): AllowedArc | null =>
  w.fromDeg < arc.fromDeg - 1e-9 || w.toDeg > arc.toDeg + 1e-9 || w.fromDeg > w.toDeg
    ? null
    : { ...arc, ...w };

export const outsideWords = (arc: AllowedArc): string =>
  `only ${Math.ceil(arc.fromDeg)}° to ${Math.floor(arc.toDeg)}° are open${
    arc.cuts.length ? `, because of ${arc.cuts.map((c) => c.because).join(" and ")}` : ""
  }: choose angles inside`;

export const STEP_DEG = 5;
/** No exercise is offered above this share of its strength, limit or not [own]. */
const MOST_EFFORT_PCT = 85;

export const directionOf = (e: Exercise): Direction =>
  e.match.class === "open_knee_flexion" || e.match.class === "closed_knee_flexion" ? "flexion" : "extension";
export const signOf = (e: Exercise): 1 | -1 => (directionOf(e) === "flexion" ? -1 : 1);

/** Which kind of limit bounds the share of its strength that an exercise may ask for; null where none does. */
function shareKindOf(e: Exercise): BoundKind | null {
  switch (e.match.class) {
    case "open_knee_extension":
      return e.match.static_hold ? "hold_effort" : "open_chain_load";
    case "closed_knee":
      return "closed_chain_load";
    case "open_knee_flexion":
    case "closed_knee_flexion":
      return "resisted_bending_load";
    default:
      return null;
  }
}

/** Percent of its strength that limits leave to this kind of exercise, and who set them; null where none is set. */
export function effortLimitPct(e: Exercise, bounds: InForce): number | null {
  const kind = shareKindOf(e);
  const own = kind === null ? null : (bounds[kind]?.high ?? null);
  // a hold of anything is a hold
  const held = e.match.static_hold ? (bounds.hold_effort?.high ?? null) : null;
  const all = [own, held].filter((x) => x !== null);
  return all.length ? Math.min(...all) : null;
}

/**
 * Computes a set-up: settings at notches, the arc that limits and settings leave, the real load at or below what the
 * rows are compared at, tissue loads over the angles. A string is the reason why nothing is left.
 */
export function computeSetUp(
  e: Exercise,
  use: ExerciseUse,
  chosen: ChosenMachine,
  allowed: AllowedArc,
  ctx: RowContext,
  asked: { settings?: Readonly<Record<string, number>>; load?: number; window?: KneeWindow | null } = {},
): ComputedSetUp | string {
  const fitted = (s: Record<string, number>) => fitStops(ctx.body, chosen, s, allowed, asked.settings);
  const at = (settings: Record<string, number>) => solved(e, use, chosen, allowed, ctx, settings);
  let settings = fitted(settingsAtNotches(chosen, use, asked.settings));
  let found = at(settings);
  // flatter backs, one notch after the other, where the back or the hip is what cuts the arc
  for (const flatter of flatterBacks(chosen, settings, asked.settings)) {
    if (!found.arc?.cuts.some((c) => c.isBody)) break;
    const refitted = fitted(flatter);
    const next = at(refitted);
    if (next.arc && next.arc.toDeg > (found.arc?.toDeg ?? 0)) [settings, found] = [refitted, next];
  }
  const { angles } = found;
  if (!found.arc) return "limits and stops leave no knee angle for it";
  const arc = asked.window ? insideOf(found.arc, asked.window) : found.arc;
  if (!arc) return outsideWords(found.arc);
  const inside = angles.filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg);
  if (inside.length === 0) return "limits and stops leave no knee angle for it";
  const forceN = (kg: number) => {
    const setUp = { settings, share: use.share, phase: use.phase ?? 0, load: kg } as const;
    return Math.max(...inside.map((a) => footForceN(ctx.body, chosen, setUp, a.deg)));
  };
  const byEffort =
    asked.load === undefined
      ? loadFor(e, use, chosen, inside, ctx)
      : { ...realLoad(chosen, asked.load), isTooHeavy: false };
  const { load, how } =
    asked.load === undefined ? underWeight(byEffort, chosen, forceN, ctx.weight) : byEffort;
  const isTooMuchWeight = ctx.weight.mostN !== null && forceN(load) > ctx.weight.mostN + 0.5;
  const value = (a: AffineAngle) => tissueLoad(ctx.tissue, a, load, ctx.chair);
  const capped = cappedArc(arc, angles, value, ctx);
  if (!capped) return `everywhere more than ${ctx.capTimes} × the reference task, the cap that was set`;
  const kept = inside.filter((a) => a.deg >= capped.fromDeg && a.deg <= capped.toDeg);
  const peak = Math.max(...kept.map(value));
  const sign = signOf(e);
  const shares = kept.flatMap((a) => {
    const most = strengthAt(ctx.strength, ctx.body, directionOf(e), a.deg);
    return most === null ? [] : [Math.max(0, demandNm(a, load, sign)) / most];
  });
  const effortShare = shares.length ? Math.max(...shares) : null;
  const most = (effortLimitPct(e, ctx.limits) ?? MOST_EFFORT_PCT) / 100;
  const isOverShare = (effortShare ?? 0) > most + 0.005;
  return {
    chosen,
    settings,
    share: use.share,
    phase: use.phase ?? 0,
    load,
    how,
    tooHeavyBecause: isTooMuchWeight
      ? `it puts ${Math.round(forceN(load) / GRAVITY_M_S2)} kg on the leg; ${Math.round((ctx.weight.mostN ?? 0) / GRAVITY_M_S2)} are written`
      : byEffort.isTooHeavy || isOverShare
        ? `it asks for ${Math.round((effortShare ?? 0) * 100)} % of its strength; ${Math.round(most * 100)} % are the most here`
        : null,
    isOverLimit: isTooMuchWeight || isOverShare,
    mostShare: most,
    arc: capped,
    angles,
    points: angles.map((a) => ({ deg: a.deg, value: value(a) })),
    peak,
    peakTimes: relativeLoad(ctx.tissue, peak, ctx.chair),
    effortShare,
    meanShare: shares.length ? shares.reduce((sum, x) => sum + x, 0) / shares.length : null,
    momentNm: Math.max(0, ...kept.map((a) => sign * jointAt(a, load).kneeMomentNm)),
  };
}

/** A set-up solved over its angles, and the arc that limits and stops leave. */
function solved(
  e: Exercise,
  use: ExerciseUse,
  { family, machine }: ChosenMachine,
  allowed: AllowedArc,
  ctx: RowContext,
  settings: Record<string, number>,
) {
  const geometry = geometryOf(machine);
  const setUp = { settings, share: use.share, phase: use.phase ?? 0 } as const;
  const angles = affineArc(ctx.body, family, geometry, setUp, anglesOf(family, STEP_DEG)).filter(
    (a) => a.deg <= e.knee_angle_usable_deg.max,
  );
  return { angles, arc: setUpArc(allowed, family.ends(ctx.body, geometry, settings), angles, ctx.limits) };
}

/** The same settings with the backrest at each notch beyond this one. */
function flatterBacks(
  chosen: ChosenMachine,
  settings: Record<string, number>,
  fixed: Readonly<Record<string, number>> = {},
): Record<string, number>[] {
  const spec = chosen.family.settings.find((s) => TRUNK.has(s.key));
  if (!spec || fixed[spec.key] !== undefined) return [];
  const from = settings[spec.key] ?? spec.usual;
  return notchesOf(chosen.machine, spec)
    .filter((n) => n.value > from)
    .map((n) => ({ ...settings, [spec.key]: n.value }));
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
  const because = `the cap of ${cap} × the reference task`;
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

/** The heaviest real step at or below one that keeps the written weight on the leg; the lightest where none does. */
function underWeight(
  found: { load: number; how: string },
  chosen: ChosenMachine,
  forceN: (load: number) => number,
  weight: WeightOnLeg,
): { load: number; how: string } {
  const { mostN } = weight;
  if (mostN === null || forceN(found.load) <= mostN) return found;
  const lighter = realLoads(chosen.machine, chosen.family).filter((l) => l.load < found.load);
  return lighter.reverse().find((l) => forceN(l.load) <= mostN) ?? lighter.at(-1) ?? found;
}

/** The real step nearest to an asked load. */
function realLoad(chosen: ChosenMachine, asked: number): { load: number; how: string } {
  return realLoads(chosen.machine, chosen.family).reduce((best, s) =>
    Math.abs(s.load - asked) < Math.abs(best.load - asked) - 1e-9 ? s : best,
  );
}

/** The real step at or below what the basis asks for; a counterweight is the lightest help that keeps under it. */
function loadFor(
  e: Exercise,
  use: ExerciseUse,
  chosen: ChosenMachine,
  inside: readonly AffineAngle[],
  ctx: RowContext,
): { load: number; how: string; isTooHeavy: boolean } {
  const loads = realLoads(chosen.machine, chosen.family);
  const lightest = loads[0] as { load: number; how: string };
  if (use.isUnloaded || !chosen.family.load) return { load: 0, how: BODY_WEIGHT, isTooHeavy: false };
  const { basis } = ctx;
  if (basis.kind === "load")
    return {
      ...(loads.filter((l) => l.load <= basis.kg).at(-1) ?? lightest),
      isTooHeavy: lightest.load > basis.kg,
    };
  const limit = effortLimitPct(e, ctx.limits);
  const cap = (deg: number): number | null => {
    const own = strengthAt(ctx.strength, ctx.body, directionOf(e), deg);
    const limited = own === null || limit === null ? Number.POSITIVE_INFINITY : (own * limit) / 100;
    if (basis.kind === "moment") return Math.min(basis.nm, limited);
    return own === null ? null : Math.min(own * basis.share, limited);
  };
  // where the curve says nothing sure at any angle, nothing above the easiest is chosen
  const easiest = chosen.family.isReversed ? (loads.at(-1) as typeof lightest) : lightest;
  if (inside.every((a) => cap(a.deg) === null)) return { ...easiest, isTooHeavy: false };
  const span = loadsUnder(inside, signOf(e), cap);
  const most = chosen.family.mostLoadKg?.(ctx.body) ?? Number.POSITIVE_INFINITY;
  const fits = span
    ? loads.filter((l) => l.load >= span.least - 1e-9 && l.load <= Math.min(most, span.most) + 1e-9)
    : [];
  const best = chosen.family.isReversed ? fits[0] : fits.at(-1);
  return best ? { ...best, isTooHeavy: false } : { ...easiest, isTooHeavy: true };
}
