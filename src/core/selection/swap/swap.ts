import { type InForce, mostOf, withMore } from "../../bounds/inForce";
import type { BoundKind } from "../../bounds/kinds";
import type { Limit } from "../../bounds/limit";
import { type Exercise, likeOf } from "../../rules/exercises";
import type { Said } from "../../units/said";
import { isAtHand } from "../fit/exerciseUse";
import { fitExercise } from "../fit/fitExercise";
import { barredByWeight, type WeightOnLeg } from "../fit/weightOnLeg";

/** Why an exercise is swapped for today. */
export const SWAP_REASON_IDS = [
  ...(["back", "knee", "swollen", "groin", "tendon", "pressure", "tired", "taken", "home"] as const),
] as const;
export type SwapReason = (typeof SWAP_REASON_IDS)[number];

/** Lying, sitting or leaning: the back is held by something. */
const BACK_IS_HELD: ReadonlySet<string> = new Set([
  "seated",
  "reclined seated",
  "seated or supine",
  "supine",
  "supine or seated",
  "supine or long sitting",
  "supine on elbows",
  "prone",
  "prone on elbows",
  "seated or prone",
  "side-lying",
  "standing, back supported",
]);

/** A hinge, a lift or a carry: what a back that twinges is not given again, however light (docs/rules.md, K18). */
const CARRIES: ReadonlySet<string> = new Set(["carry_two", "carry_one"]);
const loadsTheBack = (e: Exercise): boolean => e.match.class === "hip_hinge" || CARRIES.has(likeOf(e));

const IS_PAIN: ReadonlySet<SwapReason> = new Set(["knee", "swollen", "tendon"]);
/** Depth left to a sore tendon: "no deep bend" [own number]. */
const TENDON_DEPTH_DEG = 60;

/** Today's bounds: those in force, made stricter for the reason. Never wider. Clinical rules, step 1. */
export const boundsToday = (bounds: InForce, reason: SwapReason): InForce =>
  withMore(bounds, limitsFor(bounds, reason));

type Part = { word?: string; high?: number; low?: number; names?: string[] };

function limitsFor(b: InForce, reason: SwapReason): Limit[] {
  const parts = partsFor(b, reason);
  return Object.entries(parts).map(([kind, part]) => ({
    id: `today-${reason}-${kind}`,
    kind: kind as BoundKind,
    low: part.low ?? null,
    high: part.high ?? null,
    word: part.word ?? null,
    names: part.names ?? [],
    origin: "clinic",
    reason: `today: ${reason}`,
    endsOn: null,
  }));
}

/** What a flared knee may be held at, percent of its strength. */
const SORE_HOLD_PCT = 40;

function partsFor(b: InForce, reason: SwapReason): Partial<Record<BoundKind, Part>> {
  switch (reason) {
    case "back":
      return {
        weight_on_shoulders: { word: "none" },
        back_demand: { high: 1 },
        back_bending: { word: "avoid" },
        back_arching: { word: "avoid" },
        hip_flexion: { high: 90 },
        closed_chain_load: { high: 50 },
        balance_demand: { high: 1 },
        felt_effort: { high: 5 },
        reserve: { low: 4 },
      };
    case "knee":
    case "swollen":
      return {
        resisted_knee_flexion: { word: "light" },
        open_chain_extension: { word: "isometric" },
        hold_effort: { high: SORE_HOLD_PCT },
        closed_chain_depth: { high: 30 },
        closed_chain_load: { high: 30 },
        single_leg: { word: "no" },
        kneeling: { word: "no" },
        impact: { word: "none" },
      };
    case "groin":
      return {
        hip_flexion: { high: Math.max(0, mostOf(b, "hip_flexion") - 15) },
        across_midline: { word: "no" },
      };
    case "tendon":
      return { impact: { word: "none" }, closed_chain_depth: { high: TENDON_DEPTH_DEG } };
    case "pressure":
      return { barred_by_name: { names: ["wall_sit"] }, reserve: { low: 4 } };
    case "tired":
      return { entry_demand: { high: Math.max(1, mostOf(b, "entry_demand") - 1) } };
    case "taken":
    case "home":
      return {};
  }
}

/** What speaks for a stand-in or against it. */
export type SwapTerm =
  | { alike: number }
  | "as_finely"
  | "chain"
  | "demanding"
  | "family"
  | "back_spared"
  | "as_it_is"
  | "hold"
  | "turns_trunk"
  | "hardly_loads";

export interface SwapCandidate {
  e: Exercise;
  status: "offered" | "fitted";
  /** what has to be set differently today */
  changes: Said[];
  points: number;
  /** why it stands where it stands */
  because: SwapTerm[];
}

export interface SwapQuestion {
  planned: Exercise;
  exercises: readonly Exercise[];
  /** in force, before today's reason */
  limits: InForce;
  reason: SwapReason;
  /** kinds of machine in the gym; null: not asked */
  families: ReadonlySet<string> | null;
  weight: WeightOnLeg;
  /** exercises whose machine is taken */
  busy?: readonly string[];
}

/**
 * What can stand in for an exercise today: keeps the main muscles, fits today's limits, needs no unlocking and nothing
 * that is taken or missing. Best first; equal ones in the catalogue's order. Clinical rules, "same-day substitute".
 */
export function swapCandidates(q: SwapQuestion): SwapCandidate[] {
  const today = boundsToday(q.limits, q.reason);
  const busy = new Set([q.planned.id, ...(q.busy ?? [])]);
  return q.exercises
    .flatMap((e): SwapCandidate[] => {
      if (busy.has(e.id) || e.match.class === "stretch" || e.match.requires_unlock) return [];
      if (q.reason === "home" && !e.home_ready) return [];
      if (barredByWeight(e, q.weight)) return [];
      if (q.reason === "back" && loadsTheBack(e)) return [];
      if (q.reason !== "home" && q.families && !isAtHand(e, q.families)) return [];
      const fit = fitExercise(e, today);
      if (fit.status === "blocked" || !keepsMainMuscles(q.planned, e)) return [];
      const { points, because } = pointsOf(q, today, e, fit.status);
      return [{ e, status: fit.status, changes: fit.reasons, points, because }];
    })
    .sort((a, b) => b.points - a.points);
}

const isBackSpared = (e: Exercise): boolean =>
  BACK_IS_HELD.has(e.position) || (e.lumbar.demand_0_3 === 0 && e.match.load_floor === "limb");

/** At least one main muscle (emphasis 3, or 2 if there is no 3) at emphasis 2 or more. */
function keepsMainMuscles(planned: Exercise, e: Exercise): boolean {
  const emphasis = Object.entries(planned.muscle_emphasis_0_3);
  const level = emphasis.some(([, n]) => n === 3) ? 3 : 2;
  return emphasis.some(([m, n]) => n >= level && (e.muscle_emphasis_0_3[m] ?? 0) >= 2);
}

/** Cosine of the two profiles of muscle emphasis, 0 to 1. */
export function muscleLikeness(a: Exercise, b: Exercise): number {
  const of = (x: Exercise, m: string) => x.muscle_emphasis_0_3[m] ?? 0;
  const muscles = [
    ...new Set([...Object.keys(a.muscle_emphasis_0_3), ...Object.keys(b.muscle_emphasis_0_3)]),
  ];
  const dot = muscles.reduce((sum, m) => sum + of(a, m) * of(b, m), 0);
  const size = (x: Exercise) => Math.sqrt(muscles.reduce((sum, m) => sum + of(x, m) ** 2, 0));
  return dot / (size(a) * size(b) || 1);
}

function pointsOf(
  q: SwapQuestion,
  today: InForce,
  e: Exercise,
  status: SwapCandidate["status"],
): { points: number; because: SwapTerm[] } {
  const { planned } = q;
  const likeness = muscleLikeness(planned, e);
  const open = today.open_chain_extension;
  const terms: [number, SwapTerm][] = [
    [50 * likeness, { alike: likeness }],
    [q.reason !== "home" && planned.match.is_machine === e.match.is_machine ? 15 : 0, "as_finely"],
    [planned.chain === e.chain ? 10 : 0, "chain"],
    [planned.match.entry_demand_1_4 === e.match.entry_demand_1_4 ? 10 : 0, "demanding"],
    [planned.family === e.family ? 5 : 0, "family"],
    [q.reason === "back" && isBackSpared(e) ? 30 : 0, "back_spared"],
    [status === "offered" ? 5 : 0, "as_it_is"],
    [IS_PAIN.has(q.reason) && e.match.static_hold ? 15 : 0, "hold"],
    [mostOf(today, "back_demand") <= 1 && e.lumbar.direction.includes("rotation") ? -15 : 0, "turns_trunk"],
    [
      likeOf(e) === "kext_ankle_weight" && open?.word === "arc" && (open.low ?? 0) >= 40 ? -25 : 0,
      "hardly_loads",
    ],
  ];
  const said = terms.filter(([n]) => Math.abs(n) >= 5).sort((a, b) => Math.abs(b[0]) - Math.abs(a[0]));
  return {
    points: terms.reduce((sum, [n]) => sum + n, 0),
    because: said.slice(0, 3).map(([, term]) => term),
  };
}

/** How the dose carries over, one change a code. */
export type CarryOver =
  | "sets"
  | "kilograms"
  | "ten_to_holds"
  | "light_reps"
  | "one_leg"
  | "half"
  | "no_count";

/** How the dose carries over. Clinical rules, step 4. */
export function carryOver(planned: Exercise, e: Exercise, reason: SwapReason): CarryOver[] {
  const over: CarryOver[] = ["sets"];
  if (e.match.is_machine) over.push("kilograms");
  if (!planned.match.static_hold && e.match.static_hold) over.push("ten_to_holds");
  if (planned.match.load_floor !== "limb" && e.match.load_floor === "limb" && !e.match.static_hold)
    over.push("light_reps");
  if (!planned.match.single_leg && e.match.single_leg) over.push("one_leg");
  if (reason === "swollen" || reason === "tired") over.push("half");
  over.push("no_count");
  return over;
}
