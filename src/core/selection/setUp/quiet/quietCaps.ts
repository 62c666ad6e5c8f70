import { isStricter, whoSet } from "../../../bounds/inForce";
import type { StationLearnt } from "../../../capacity/learn";
import { LOW_END_Z, lowOf, MOST_OVER_DONE } from "../../../capacity/shows";
import { demandNm } from "../../../capacity/station";
import { type Exercise, likeOf } from "../../../rules/exercises";
import { GRAVITY_M_S2 } from "../../../units/mass";
import { saidWith } from "../../../units/said";
import { brokenBy, type LoadCap } from "../loadCaps";
import { type LoadContext, shareLimit } from "../loadContext";
import type { RealLoad } from "../machineFor";
import type { FreeWeight } from "./freeWeights";

/** What bounds the load of a machine without a model of the knee: an exercise on it, its real loads, on which legs. */
export interface QuietQuestion {
  e: Exercise;
  loads: readonly RealLoad[];
  twoLegs: boolean;
  /** what was shown there with these legs */
  shown: StationLearnt | null;
  /** how its kilograms count; null: as they are */
  free: FreeWeight | null;
}

/** Kilograms of what was learnt there. */
export const kgOf = (demand: number, free: FreeWeight | null): number => {
  const [at] = free?.lift.angles ?? [];
  return at ? (demand - at.bareNm) / at.perKgNm : demand;
};

/**
 * Start of machines whose load no foot carries, kg of load per kg of the body, as they are usually done (docs/rules.md,
 * K15) [own].
 */
const START_SHARES: Readonly<Record<string, number>> = {
  hip_abd: 0.15,
  hip_add: 0.15,
  multi_hip: 0.15,
  kickback_machine: 0.2,
  rev_two: 0.2,
  rev_loaded: 0.2,
  ghr: 0.2,
  calf_seated: 0.3,
};
const LEAST_START_SHARE = 0.15;
/** Both legs share what these are loaded with; one leg alone starts at half of it. */
const SHARED_BY_BOTH = new Set(["calf_seated", "rev_two", "rev_loaded", "ghr"]);
/** With a reason a therapist goes above the start, and so far without a test [own]. */
const MOST_TIMES_START = 2;

/** Through the foot: the press a calf pushes, the lever a squat stands under. */
const FOOT_CARRIES = new Set(["calf_press", "sq_vtype"]);
/** The body's own weight is on the feet too. */
const STANDS_UNDER = new Set(["sq_vtype"]);

/** A load that puts so much on each foot, kg. */
function loadOnFeet(q: QuietQuestion, ctx: LoadContext, perLegKg: number): number {
  const own = STANDS_UNDER.has(likeOf(q.e)) || q.free?.kind === "held" ? ctx.body.massKg : 0;
  return perLegKg * (q.twoLegs ? 2 : 1) - own;
}

function startKg(q: QuietQuestion, ctx: LoadContext): number {
  if (q.free) return q.free.startKg;
  const id = likeOf(q.e);
  if (FOOT_CARRIES.has(id)) return loadOnFeet(q, ctx, ctx.startCap.bodyWeights * ctx.body.massKg);
  const share = (START_SHARES[id] ?? LEAST_START_SHARE) * (SHARED_BY_BOTH.has(id) && !q.twoLegs ? 0.5 : 1);
  return share * ctx.body.massKg;
}

const tenth = (kg: number): number => Math.floor(kg * 10 + 1e-6) / 10;

/** Kilograms on the leg that a surgeon wrote, where the foot carries it or it lies on the leg. */
function weightCaps(q: QuietQuestion, ctx: LoadContext): LoadCap[] {
  const { mostN } = ctx.weight;
  const need = q.e.match.weight_bearing_need;
  if (mostN === null || need === "none" || need === "stance_other") return [];
  // whether the body alone may stand there is asked before: nothing added is never too much
  const feetKg = loadOnFeet(q, ctx, mostN / GRAVITY_M_S2);
  const mostKg = q.free ? Math.max(0, feetKg) : feetKg;
  return [
    {
      kind: "weight",
      span: mostKg < 0 ? null : { least: 0, most: mostKg },
      why: (load) =>
        saidWith("setUp.weight_written", {
          kg: load,
          mostKg: Math.max(0, Math.floor(mostKg)),
          by: whoSet(ctx.limits, "weight_on_leg"),
        }),
    },
  ];
}

/** What is held rests on the back: nothing of it where no weight may, a little where only little may. */
function shoulderCaps(q: QuietQuestion, ctx: LoadContext): LoadCap[] {
  if (q.free?.kind !== "held" || !isStricter(ctx.limits, "weight_on_shoulders", "high")) return [];
  const most = isStricter(ctx.limits, "weight_on_shoulders", "low") ? 0 : q.free.startKg;
  return [
    {
      kind: "weight",
      span: { least: 0, most },
      why: (load) =>
        saidWith("setUp.weight_held", {
          kg: load,
          mostKg: tenth(most),
          by: whoSet(ctx.limits, "weight_on_shoulders"),
        }),
    },
  ];
}

/** A machine that leaves the knee quiet, on these legs: its kilograms are learnt for themselves. Rule L1. */
export const quietStationIdOf = (machineId: string, twoLegs: boolean): string =>
  `${machineId}|${twoLegs ? "two" : "one"}`;

/** What was done there and one step more; and a phase's percentage of what can surely be lifted once. */
function shownCaps(q: QuietQuestion, { shown, doneKg, proved }: StationLearnt, ctx: LoadContext): LoadCap[] {
  const found: LoadCap[] = [];
  if (doneKg !== null) {
    const step = q.loads.find((l) => l.load > doneKg + 1e-6)?.load ?? doneKg;
    // with the body's own weight a step of a hand weight is little: what may be over what was done counts too (L9)
    const { free } = q;
    const over = free && MOST_OVER_DONE[ctx.strength.care] * demandNm(free.lift, doneKg);
    const further = free && over && q.loads.findLast((l) => demandNm(free.lift, l.load) <= over + 1e-9)?.load;
    const next = Math.max(step, further || 0);
    found.push({
      kind: "history",
      span: { least: 0, most: next },
      why: () => saidWith("setUp.history", { kg: doneKg, nextKg: next }),
    });
  }
  const limit = shareLimit(q.e, ctx.limits);
  const most = Math.max(0, kgOf(lowOf(shown, LOW_END_Z, proved) * limit.share, q.free));
  if (limit.isSet)
    found.push({
      kind: "share",
      span: { least: 0, most },
      why: () => saidWith("setUp.test_share", { kg: tenth(most), share: limit.share, by: limit.by }),
    });
  return found;
}

function startCaps(q: QuietQuestion, ctx: LoadContext): LoadCap[] {
  const start = startKg(q, ctx);
  const onFoot = FOOT_CARRIES.has(likeOf(q.e));
  const of = onFoot ? ctx.startCap : { massKg: ctx.body.massKg };
  if (!ctx.startCapIsLifted)
    return [
      {
        kind: "start",
        span: start < 0 ? null : { least: 0, most: start },
        why: (load) => saidWith("setUp.above_start", { kg: load, startKg: Math.max(0, tenth(start)), of }),
      },
    ];
  // standing under a lever the body's weight is carried already, and half of it more is the most
  const most = Math.max(start, 0) * MOST_TIMES_START + (start <= 0 ? ctx.body.massKg / 4 : 0);
  return [
    {
      kind: "family",
      span: { least: 0, most },
      why: (load) => saidWith("setUp.above_untested", { kg: load, mostKg: tenth(most) }),
    },
  ];
}

/**
 * Everything that bounds the load of a machine without a model of the knee, as `loadCaps` does for the others: weight as
 * written, what was done there and one step more, else a start from the body's mass (docs/rules.md, K15).
 */
export const quietCaps = (q: QuietQuestion, ctx: LoadContext): LoadCap[] => [
  ...weightCaps(q, ctx),
  ...shoulderCaps(q, ctx),
  ...(q.shown ? shownCaps(q, q.shown, ctx) : startCaps(q, ctx)),
];

/** The heaviest real load that all caps leave; null where even the lightest is above one. */
export const heaviestUnder = (loads: readonly RealLoad[], caps: readonly LoadCap[]): RealLoad | null =>
  loads.findLast((l) => brokenBy(caps, l.load) === null) ?? null;
