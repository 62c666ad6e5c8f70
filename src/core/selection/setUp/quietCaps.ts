import { whoSet } from "../../bounds/inForce";
import type { StationLearnt } from "../../capacity/learn";
import { LOW_END_Z, lowOf } from "../../capacity/shows";
import { type Exercise, likeOf } from "../../rules/exercises";
import { GRAVITY_M_S2 } from "../../units/mass";
import { saidWith } from "../../units/said";
import { brokenBy, type LoadCap } from "./loadCaps";
import { type LoadContext, shareLimit } from "./loadContext";
import type { RealLoad } from "./machineFor";

/** What bounds the load of a machine without a model of the knee: an exercise on it, its real loads, on which legs. */
export interface QuietQuestion {
  e: Exercise;
  loads: readonly RealLoad[];
  twoLegs: boolean;
  /** what was shown on this machine with these legs, in kilograms */
  shown: StationLearnt | null;
}

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
  const own = STANDS_UNDER.has(likeOf(q.e)) ? ctx.body.massKg : 0;
  return perLegKg * (q.twoLegs ? 2 : 1) - own;
}

function startKg(q: QuietQuestion, ctx: LoadContext): number {
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
  const mostKg = loadOnFeet(q, ctx, mostN / GRAVITY_M_S2);
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

/** A machine that leaves the knee quiet, on these legs: its kilograms are learnt for themselves. Rule L1. */
export const quietStationIdOf = (machineId: string, twoLegs: boolean): string =>
  `${machineId}|${twoLegs ? "two" : "one"}`;

/** What was done there and one step more; and a phase's percentage of what can surely be lifted once. */
function shownCaps(q: QuietQuestion, { shown, doneKg, proved }: StationLearnt, ctx: LoadContext): LoadCap[] {
  const found: LoadCap[] = [];
  if (doneKg !== null) {
    const next = q.loads.find((l) => l.load > doneKg + 1e-6)?.load ?? doneKg;
    found.push({
      kind: "history",
      span: { least: 0, most: next },
      why: () => saidWith("setUp.history", { kg: doneKg, nextKg: next }),
    });
  }
  const limit = shareLimit(q.e, ctx.limits);
  const most = lowOf(shown, LOW_END_Z, proved) * limit.share;
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
  ...(q.shown ? shownCaps(q, q.shown, ctx) : startCaps(q, ctx)),
];

/** The heaviest real load that all caps leave; null where even the lightest is above one. */
export const heaviestUnder = (loads: readonly RealLoad[], caps: readonly LoadCap[]): RealLoad | null =>
  loads.findLast((l) => brokenBy(caps, l.load) === null) ?? null;
