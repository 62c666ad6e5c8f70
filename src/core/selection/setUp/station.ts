import type { Body } from "../../body/segments";
import type { OutOfReach } from "../../equipment/families/family";
import { geometryOf, notchesOf } from "../../equipment/machine";
import { knownTuckDeg } from "../../mechanics/legState";
import type { Exercise } from "../../rules/exercises";
import { type Coded, type Said, saidWith } from "../../units/said";
import type { AllowedArc } from "../fit/allowedArc";
import type { ExerciseUse } from "../fit/exerciseUse";
import type { AffineAngle } from "./affineArc";
import type { LoadContext } from "./loadContext";
import { type ChosenMachine, settingsAtNotches } from "./machineFor";
import { solved } from "./solveSetUp";
import { fitStops, TRUNK } from "./stops";

/** An exercise set up for a body on a machine, before any load: what every question about its load is asked of. */
export interface Station {
  e: Exercise;
  use: ExerciseUse;
  chosen: ChosenMachine;
  settings: Record<string, number>;
  /** everything solved, and what of it lies inside the arc */
  angles: AffineAngle[];
  inside: AffineAngle[];
  arc: AllowedArc;
  /** the body alone is the load */
  isBody: boolean;
  /** why the back leans further than is usual, where what was measured of the hip asks for it */
  leant: Said | null;
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

/** Rounding from here on is said (corrections K7), and set against where this hip's end was measured (Measured 3). */
export const ROUNDED_DEG = 10;

const NO_ANGLE = { code: "setUp.no_angle" };

/** What is open, where chosen angles are not. */
export const outsideArc = (arc: AllowedArc): Coded =>
  saidWith("setUp.outside", {
    fromDeg: Math.ceil(arc.fromDeg),
    toDeg: Math.floor(arc.toDeg),
    cuts: arc.cuts.map((c) => c.because),
  });

/**
 * Sets an exercise up: settings at notches, stops that keep the allowed arc, flatter backs where the back cuts it. A code
 * is the reason why nothing is left.
 */
export function stationOf(
  e: Exercise,
  use: ExerciseUse,
  chosen: ChosenMachine,
  allowed: AllowedArc,
  ctx: Pick<LoadContext, "body" | "limits">,
  asked?: Readonly<Record<string, number>>,
): Station | Coded {
  const fitted = (s: Record<string, number>) => fitStops(ctx.body, chosen, s, allowed, asked);
  const at = (settings: Record<string, number>) => solved(e, use, chosen, allowed, ctx, settings);
  let settings = fitted(settingsAtNotches(chosen, use, asked));
  let found = at(settings);
  let leant: Said | null = null;
  // flatter backs, one notch after the other, where the back or the hip is what cuts the arc, or this hip is known to end
  for (const flatter of flatterBacks(chosen, settings, asked)) {
    const isCut = found.arc?.cuts.some((c) => c.isBody) === true;
    const isRound = mostTuckDeg(ctx.body, found) > ROUNDED_DEG;
    if (!isCut && !isRound) break;
    const refitted = fitted(flatter);
    const next = at(refitted);
    if (!next.arc || next.arc.toDeg < (found.arc?.toDeg ?? 0)) continue;
    const isFlatter = mostTuckDeg(ctx.body, next) < mostTuckDeg(ctx.body, found);
    if (next.arc.toDeg <= (found.arc?.toDeg ?? 0) && !isFlatter) continue;
    if (isFlatter) leant ??= leantBy(ctx.body, mostTuckDeg(ctx.body, found));
    [settings, found] = [refitted, next];
  }
  const unreachable = outOfReach(ctx.body, chosen, settings);
  if (unreachable) return unreachable;
  if (!found.arc) return NO_ANGLE;
  const isBody = use.isUnloaded === true || !chosen.family.load;
  const { angles, arc } = found;
  return onlyIn({ e, use, chosen, settings, angles, inside: [], arc, isBody, leant }, arc);
}

const leantBy = (body: Body, byDeg: number): Said =>
  saidWith("setUp.leant", {
    raiseDeg: body.measured?.raise ? body.straightLegRaiseDeg : null,
    byDeg: Math.round(byDeg / 5) * 5,
  });

/** How far the pelvis rolls at most inside the arc, by what was measured of this hip. */
const mostTuckDeg = (body: Body, { angles, arc }: ReturnType<typeof solved>): number =>
  !body.measured
    ? 0
    : Math.max(
        0,
        ...angles.flatMap((a) =>
          arc && a.deg >= arc.fromDeg && a.deg <= arc.toDeg
            ? [knownTuckDeg(body, a.hipFlexionDeg, a.deg)]
            : [],
        ),
      );

/** The same between two angles alone, as a window or a hold uses it. */
export function between(station: Station, window: KneeWindow | null | undefined): Station | Coded {
  if (!window) return station;
  const arc = insideOf(station.arc, window);
  return arc ? onlyIn(station, arc) : outsideArc(station.arc);
}

function onlyIn(station: Station, arc: AllowedArc): Station | Coded {
  const inside = station.angles.filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg);
  return inside.length === 0 ? NO_ANGLE : { ...station, arc, inside };
}

/** Why the body cannot be set up like this; null where it can. */
export function outOfReach(
  body: Body,
  { family, machine }: ChosenMachine,
  settings: Readonly<Record<string, number>>,
): OutOfReach | null {
  const notches = (key: string) => {
    const spec = family.settings.find((x) => x.key === key);
    return spec ? notchesOf(machine, spec).map((n) => n.value) : [];
  };
  return family.outOfReach?.(body, geometryOf(machine), settings, notches) ?? null;
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
