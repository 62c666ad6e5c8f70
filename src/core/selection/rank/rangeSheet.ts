import type { InForce } from "../../bounds/inForce";
import type { Exercise } from "../../rules/exercises";
import { GOALS } from "../../rules/goals";
import { type PainfulArc, painfulArcOf } from "../../strength/painfulArc";
import { asKept, type Said, saidWith } from "../../units/said";
import { type AllowedArc, allowedArc, type MeasuredMotion } from "../fit/allowedArc";
import { exerciseUse, isAtHand } from "../fit/exerciseUse";
import { fitExercise } from "../fit/fitExercise";
import { barredByWeight } from "../fit/weightOnLeg";
import type { AidsKnown } from "../setUp/aid";
import { type GymMachine, machineFor } from "../setUp/machineFor";
import { type ComputedSetUp, loaded, type RowContext } from "../setUp/row";
import { between, insideOf, type KneeWindow, outsideArc, type Station, stationOf } from "../setUp/station";
import { type RankInput, type RankTerms, rankSaid, rankTerms, scoreOf } from "./rank";

/** One exercise on the sheet. */
export interface RangeRow {
  e: Exercise;
  group: MuscleGroup;
  status: "offered" | "fitted";
  /** what has to be set differently */
  changes: Said[];
  arc: AllowedArc;
  /** null where there is no model of the knee for it */
  computed: ComputedSetUp | null;
  isAtHand: boolean;
  /** where it hurts in this way of moving; null: not known to */
  painful: PainfulArc | null;
  /** what speaks for it and against it */
  said: Said;
}

export interface BarredRow {
  e: Exercise;
  reasons: Said[];
  /** the earliest later phase in which it would fit; null where none of them opens it */
  opens: Said | null;
}

/** What would bound the client in a later phase, all else as today. */
export interface LaterLimits {
  said: Said;
  bounds: InForce;
}

/** What an exercise trains most, in the order of the sheet. */
const GROUPS = [
  ["front_thigh", ["quads"]],
  ["back_thigh", ["hamstrings"]],
  ["buttock", ["glutes"]],
  ["hip", ["abductors", "adductors", "hip_flexors"]],
  ["calf", ["calves", "soleus"]],
  ["trunk", ["trunk_extensors", "trunk_flexors"]],
] as const satisfies readonly (readonly [string, readonly string[]])[];
export type MuscleGroup = (typeof GROUPS)[number][0];
export const GROUP_IDS: readonly MuscleGroup[] = GROUPS.map(([id]) => id);

/** The group an exercise is listed under, and how much it works it, 0 to 3. */
export function groupOf(e: Exercise): { group: MuscleGroup; emphasis: number } {
  const most = Math.max(0, ...Object.values(e.muscle_emphasis_0_3));
  const found = GROUPS.find(([, muscles]) => muscles.some((m) => e.muscle_emphasis_0_3[m] === most));
  return { group: found?.[0] ?? "trunk", emphasis: most };
}

export interface SheetInput extends RowContext {
  exercises: readonly Exercise[];
  machines: readonly GymMachine[];
  /** done at home: the machines are what people have there */
  isAtHome?: boolean;
  motion: MeasuredMotion;
  /** where it hurts, by the way the knee is moved; missing: not known */
  painfulArcs?: readonly PainfulArc[];
  /** what is planned to be worn and held; missing: nothing */
  aids?: AidsKnown;
  goalIds: readonly string[];
  /** nobody is near at work; missing: not known. Rule Alone */
  isAlone?: boolean;
  /** later phases of the client's conditions, soonest first */
  later: readonly LaterLimits[];
}

/**
 * Every exercise over the knee's angles: what limits and the set-up leave of it, what it loads, ranked in its group;
 * those that are barred apart, each with its reasons. Equal rows stay in the catalogue's order.
 */
export function rangeSheet(input: SheetInput): { rows: RangeRow[]; barred: BarredRow[] } {
  const families = new Set(input.machines.map((m) => m.family));
  const open: (Omit<RangeRow, "said"> & { rank: RankInput; terms: RankTerms; goals: string[] })[] = [];
  const barred: BarredRow[] = [];
  for (const e of input.exercises) {
    const found = rowOf(e, input);
    if (Array.isArray(found)) {
      barred.push({ e, reasons: once(found), opens: opensWith(e, input) });
      continue;
    }
    const { group, emphasis } = groupOf(e);
    const goals = GOALS.filter(
      (g) => input.goalIds.includes(g.id) && g.exercise_families.includes(e.family),
    ).map((g) => g.name);
    const rank: RankInput = {
      e,
      emphasis,
      computed: found.computed,
      isFitted: found.status === "fitted",
      isAtHand: isAtHand(e, families),
      goalsServed: goals.length,
      basisShare: input.basis.kind === "effort" ? input.basis.share : 0.5,
      limits: input.limits,
      isAlone: input.isAlone ?? false,
    };
    open.push({
      e,
      group,
      ...found,
      isAtHand: rank.isAtHand,
      painful: painfulArcOf(e.match.class, input.painfulArcs ?? []),
      rank,
      goals,
      terms: rankTerms(rank),
    });
  }
  const order = (group: MuscleGroup) => GROUP_IDS.indexOf(group);
  open.sort((a, b) => order(a.group) - order(b.group) || scoreOf(b.terms) - scoreOf(a.terms));
  const means = new Map(GROUP_IDS.map((g) => [g, meanTerms(open.filter((r) => r.group === g))]));
  const rows = open.map(({ rank, terms, goals, ...row }) => ({
    ...row,
    said: rankSaid(rank, terms, means.get(row.group) as RankTerms, input.tissue, goals),
  }));
  return { rows, barred };
}

/** The geometric mean of each term: what a row of the group is like on average. */
function meanTerms(rows: readonly { terms: RankTerms }[]): RankTerms {
  const mean = (key: keyof RankTerms) =>
    Math.exp(rows.reduce((sum, r) => sum + Math.log(r.terms[key]), 0) / Math.max(1, rows.length));
  return {
    works: mean("works"),
    effort: mean("effort"),
    range: mean("range"),
    goal: mean("goal"),
    tissue: mean("tissue"),
    ease: mean("ease"),
  };
}

/** The first later phase in which the exercise is offered or fitted. */
function opensWith(e: Exercise, input: SheetInput): Said | null {
  const found = input.later.find(
    (l) => fitExercise(e, l.bounds).status !== "blocked" && allowedArc(e, l.bounds, input.motion) !== null,
  );
  return found?.said ?? null;
}

/** An exercise that the bounds leave open, set up and not yet loaded. */
export interface OpenExercise extends Pick<RangeRow, "status" | "changes" | "arc"> {
  e: Exercise;
  /** null where there is no model of the knee for it */
  station: Station | null;
}

/** Why an exercise is not open, and whether the bounds bar it or its set-up. */
export interface Shut {
  by: "bounds" | "setUp";
  reasons: Said[];
}

/** The first two questions about any exercise, whoever asks: whether the bounds leave it open, and how it is set up. */
export function openOf(
  e: Exercise,
  input: SheetInput,
  asked: { settings?: Readonly<Record<string, number>>; machineId?: string | null } = {},
): OpenExercise | Shut {
  const bars = (...reasons: Said[]): Shut => ({ by: "bounds", reasons });
  const fit = fitExercise(e, input.limits);
  if (fit.status === "blocked") return bars(...fit.reasons);
  const byWeight = barredByWeight(e, input.weight);
  if (byWeight) return bars(byWeight);
  const allowed = allowedArc(e, input.limits, input.motion);
  if (!allowed) return bars({ code: "choose.no_angle" });
  const use = exerciseUse(e);
  const found = { e, status: fit.status, changes: fit.reasons };
  if (!use) return { ...found, arc: allowed, station: null };
  const chosen = machineFor(use, input.machines, asked.machineId);
  const station = stationOf(e, use, chosen, allowed, input, asked.settings);
  if ("code" in station) return { by: "setUp", reasons: [station] };
  return tooNarrow(e, station.arc) ?? { ...found, arc: station.arc, station };
}

/** What an open exercise comes to between two angles and under a load, or why it does not. */
export function rowAt(
  open: OpenExercise,
  input: RowContext,
  asked: {
    load?: number | undefined;
    window?: KneeWindow | null | undefined;
  } = {},
): Pick<RangeRow, "status" | "changes" | "arc" | "computed"> | Said[] {
  const { status, changes } = open;
  if (!open.station) {
    const arc = asked.window ? insideOf(open.arc, asked.window) : open.arc;
    return arc ? { status, changes, arc, computed: null } : [outsideArc(open.arc)];
  }
  const station = between(open.station, asked.window);
  if ("code" in station) return [station];
  const computed = loaded(station, input, asked);
  if ("code" in computed) return [computed];
  const narrow = asked.window ? null : tooNarrow(open.e, computed.arc);
  return narrow?.reasons ?? { status, changes, arc: computed.arc, computed };
}

/** A row, or the reasons why it is barred. `asked` are settings and a load that somebody chose by hand. */
export function rowOf(
  e: Exercise,
  input: SheetInput,
  asked: Parameters<typeof openOf>[2] & Parameters<typeof rowAt>[2] = {},
): ReturnType<typeof rowAt> {
  const open = openOf(e, input, asked);
  return "reasons" in open ? open.reasons : rowAt(open, input, asked);
}

function tooNarrow(e: Exercise, arc: AllowedArc): Shut | null {
  const width = arc.toDeg - arc.fromDeg;
  if (e.match.static_hold || width >= Math.min(e.match.min_arc_deg, LEAST_ARC_DEG)) return null;
  const cuts = arc.cuts.map((c) => c.because);
  return { by: "setUp", reasons: [saidWith("choose.few_degrees", { deg: Math.round(width), cuts })] };
}

/** Each reason once. */
const once = (reasons: readonly Said[]): Said[] => [...new Map(reasons.map((r) => [asKept(r), r])).values()];

/** An arc below this is no repetition [own]. */
const LEAST_ARC_DEG = 15;
