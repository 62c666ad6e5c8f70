import type { Body } from "../../body/segments";
import { whoSet } from "../../bounds/inForce";
import { MOST_OVER_DONE } from "../../capacity/shows";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type Said, saidWith } from "../../units/said";
import { type AffineAngle, footForceN } from "./affineArc";
import { directionOf, type LoadContext, shareLimit, signOf } from "./loadContext";
import { realLoads } from "./machineFor";
import type { Station } from "./station";
import { loadedOn } from "./stationModel";
import { type Strength, stationKnown, strengthAt } from "./strengthKnown";
import { demandNm, intersect, type LoadSpan, loadsUnder, spanOfForce } from "./workingLoad";

/** One thing that bounds the load of a set-up: which loads it leaves, and what it says of one outside. */
export interface LoadCap {
  kind: "share" | "hip" | "start" | "weight" | "family" | "history";
  /** in the family's unit; null: no load at all */
  span: LoadSpan | null;
  /** why a load outside is too heavy */
  why: (load: number) => Said;
}

/** What a set-up is asked for. */
export type LoadQuestion = Pick<Station, "e" | "use" | "chosen" | "settings" | "inside" | "isBody">;

const kgOf = (newtons: number): number => newtons / GRAVITY_M_S2;

/** Whether the load of a machine is carried by the body through the foot. */
export const isCarried = (q: Pick<LoadQuestion, "chosen" | "inside">): boolean =>
  !q.chosen.family.isPull && q.inside.some((a) => a.chain === "closed");

/**
 * Everything that bounds the load of a set-up, the strictest of which counts: share of knee and hip strength, force
 * through the foot until sets were shown there, weight as written, what the family can be stood against, and what was
 * done so far. The one answer that row, card, line, search, comparison and route ask. Corrections K1, rule L10.
 */
export function loadCaps(q: LoadQuestion, ctx: LoadContext): LoadCap[] {
  const shown = shownThere(q, ctx);
  return [
    ...shareCaps(q, ctx, shown !== null),
    ...weightCaps(q, ctx),
    ...familyCaps(q, ctx.body),
    ...(shown?.doneKg != null ? [doneCap(shown.doneKg, q, ctx)] : []),
    // last, so that it is named only where nothing else is broken: a therapist may go above it with a reason
    ...(q.isBody || shown || !isCarried(q) || ctx.startCapIsLifted ? [] : [startCap(q, ctx)]),
  ];
}

/**
 * What was shown on this station, once somebody said what was left; a counterweight never stands for a load, and what was
 * moved says nothing of how much is held.
 */
function shownThere(q: LoadQuestion, ctx: LoadContext) {
  if (q.isBody || q.chosen.family.isReversed) return null;
  const found = stationKnown(ctx.strength, directionOf(q.e), loadedOn(q));
  return found && found.visits > 0 ? found : null;
}

/** What all caps leave together; null where nothing is left. */
export const spanOf = (caps: readonly LoadCap[]): LoadSpan | null =>
  caps.reduce<LoadSpan | null>((left, cap) => intersect(left, cap.span), ANY_LOAD);
const ANY_LOAD: LoadSpan = { least: 0, most: Number.POSITIVE_INFINITY };

/** The first cap that a load breaks; null where it breaks none. */
export const brokenBy = (caps: readonly LoadCap[], load: number): LoadCap | null =>
  caps.find((c) => c.span === null || load > c.span.most + 1e-6 || load < c.span.least - 1e-6) ?? null;

/**
 * Share of strength. A machine's load is bounded by what nine in ten can do more than; the body alone is judged by a limit or
 * by what was shown, at the middle, and never where the client does as much every day (corrections K2).
 */
function shareCaps(q: LoadQuestion, ctx: LoadContext, isShown: boolean): LoadCap[] {
  const { e } = q;
  const direction = directionOf(e);
  const limit = shareLimit(e, ctx.limits);
  const sign = signOf(e);
  const station = loadedOn(q);
  const own = (deg: number) => strengthAt(ctx.strength, direction, deg, station);
  const isTested = ctx.strength[direction].from !== "prior" || isShown;
  if (q.isBody && ((!isTested && !limit.isSet) || isDaily(q, ctx))) return [];
  const end = (s: Strength) => (q.isBody ? s.middle : s.sure);
  const share = (load: number): number => {
    const shares = q.inside.flatMap((a) => {
      const can = own(a.deg);
      return can ? [Math.max(0, demandNm(a, load, sign)) / end(can)] : [];
    });
    return Math.max(0, ...shares);
  };
  const found: LoadCap[] = [
    {
      kind: "share",
      span: loadsUnder(q.inside, sign, (deg) => {
        const can = own(deg);
        return can && end(can) * limit.share;
      }),
      why: (load) =>
        saidWith("setUp.knee_share", { share: share(load), isTested, most: limit.share, by: limit.by }),
    },
  ];
  const { hip } = ctx.strength;
  if (!q.isBody && isCarried(q) && (hip.isTested || !isShown))
    found.push({
      kind: "hip",
      span: hipSpan(q.inside, hip.low * limit.share),
      why: (load) => {
        const most = Math.max(0, ...q.inside.map((a) => hipNm(a, load)));
        return saidWith("setUp.hip_share", {
          share: most / hip.low,
          isTested: hip.isTested,
          most: limit.share,
          by: limit.by,
        });
      },
    });
  return found;
}

const hipNm = (a: AffineAngle, load: number): number => (a.bare.hipMomentNm ?? 0) + load * a.perUnit.hip;

/** Loads that keep the hip's straightening moment under so much. */
export function hipSpan(inside: readonly AffineAngle[], mostNm: number): LoadSpan | null {
  let span: LoadSpan | null = ANY_LOAD;
  for (const a of inside) {
    if (a.bare.hipMomentNm === null) continue;
    const room = mostNm - a.bare.hipMomentNm;
    if (Math.abs(a.perUnit.hip) < 1e-9) {
      if (room < 0) return null;
    } else if (a.perUnit.hip > 0) span = intersect(span, { least: 0, most: room / a.perUnit.hip });
    else span = intersect(span, { least: room / a.perUnit.hip, most: Number.POSITIVE_INFINITY });
  }
  return span;
}

/** The body alone, and no more of it than the client does every day at knee and hip. */
function isDaily(q: LoadQuestion, ctx: LoadContext): boolean {
  const { daily } = ctx.strength;
  if (!daily) return false;
  const sign = signOf(q.e);
  return q.inside.every(
    (a) => demandNm(a, 0, sign) <= daily.kneeNm + 1 && Math.abs(a.bare.hipMomentNm ?? 0) <= daily.hipNm + 1,
  );
}

/** Kilograms on the leg that a surgeon wrote: the body's own weight counts too. */
function weightCaps(q: LoadQuestion, ctx: LoadContext): LoadCap[] {
  const { mostN } = ctx.weight;
  if (
    mostN === null ||
    !q.inside.some((a) => a.foot.bare.x !== 0 || a.foot.bare.y !== 0 || a.chain === "closed")
  )
    return [];
  return [
    {
      kind: "weight",
      span: forceSpan(q.inside, mostN),
      why: (load) =>
        saidWith("setUp.weight", {
          kg: kgOf(mostForce(q.inside, load)),
          mostKg: kgOf(mostN),
          by: whoSet(ctx.limits, "weight_on_leg"),
        }),
    },
  ];
}

function startCap(q: LoadQuestion, ctx: LoadContext): LoadCap {
  const { bodyWeights, because } = ctx.startCap;
  const mostN = bodyWeights * ctx.body.massKg * GRAVITY_M_S2;
  return {
    kind: "start",
    span: forceSpan(q.inside, mostN),
    why: (load) =>
      saidWith("setUp.start", {
        carried: mostForce(q.inside, load) / (ctx.body.massKg * GRAVITY_M_S2),
        bodyWeights,
        because,
      }),
  };
}

const mostForce = (inside: readonly AffineAngle[], load: number): number =>
  Math.max(0, ...inside.map((a) => footForceN(a, load)));

const forceSpan = (inside: readonly AffineAngle[], mostN: number): LoadSpan | null =>
  inside.reduce<LoadSpan | null>((span, a) => intersect(span, spanOfForce(a.foot, mostN)), ANY_LOAD);

function familyCaps(q: LoadQuestion, body: Body): LoadCap[] {
  const stands = q.isBody ? undefined : q.chosen.family.standsAgainst?.(body, q.settings);
  if (!stands) return [];
  const { leastKg, mostKg, because } = stands;
  return [
    {
      kind: "family",
      span: leastKg <= mostKg ? { least: leastKg, most: mostKg } : null,
      why: (load) =>
        load < leastKg
          ? saidWith("setUp.stands_least", { kg: load, leastKg: Math.ceil(leastKg * 10) / 10 })
          : saidWith("setUp.stands_most", { kg: load, because, mostKg: Math.floor(mostKg * 10) / 10 }),
    },
  ];
}

/** The hardest load that was done as planned and one real step more, or what asks a quarter more of the knee. */
function doneCap(doneKg: number, q: LoadQuestion, ctx: LoadContext): LoadCap {
  const loads = realLoads(q.chosen.machine, q.chosen.family);
  const step = loads.find((l) => l.load > doneKg + 1e-6)?.load ?? doneKg;
  const sign = signOf(q.e);
  const hardest = (kg: number) => Math.max(0, ...q.inside.map((a) => demandNm(a, kg, sign)));
  const most = MOST_OVER_DONE[ctx.strength.care] * hardest(doneKg);
  const further = loads.findLast((l) => hardest(l.load) <= most + 1e-9)?.load ?? doneKg;
  const mostKg = Math.max(step, further);
  return {
    kind: "history",
    span: { least: 0, most: mostKg },
    why: () => saidWith("setUp.history", { kg: doneKg, nextKg: mostKg }),
  };
}
