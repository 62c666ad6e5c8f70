import type { InForce } from "../../bounds/inForce";
import type { RoundingPolicy } from "../../equipment/chooseStep";
import type { Exercise } from "../../rules/exercises";
import { GOALS } from "../../rules/goals";
import { type AllowedArc, allowedArc, type MeasuredMotion } from "../fit/allowedArc";
import { exerciseUse, isAtHand } from "../fit/exerciseUse";
import { fitExercise } from "../fit/fitExercise";
import { barredByWeight } from "../fit/weightOnLeg";
import { type GymMachine, machineFor } from "../setUp/machineFor";
import {
  type ComputedSetUp,
  computeSetUp,
  insideOf,
  type KneeWindow,
  outsideWords,
  type RowContext,
} from "../setUp/row";
import { type RankInput, type RankTerms, rankSentence, rankTerms, scoreOf } from "./rank";

/** One exercise on the sheet. */
export interface RangeRow {
  e: Exercise;
  group: string;
  status: "offered" | "fitted";
  /** what has to be set differently */
  changes: string[];
  arc: AllowedArc;
  /** null where there is no model of the knee for it */
  computed: ComputedSetUp | null;
  isAtHand: boolean;
  sentence: string;
}

export interface BarredRow {
  e: Exercise;
  reasons: string[];
  /** the earliest later phase in which it would fit, in words; null where none of them opens it */
  opens: string | null;
}

/** What would bound the client in a later phase, all else as today. */
export interface LaterLimits {
  words: string;
  bounds: InForce;
}

/** What an exercise trains most, in the order of the sheet. */
const GROUPS: readonly (readonly [string, readonly string[]])[] = [
  ["Front of the thigh", ["quads"]],
  ["Back of the thigh", ["hamstrings"]],
  ["Buttock", ["glutes"]],
  ["Inner and outer hip", ["abductors", "adductors", "hip_flexors"]],
  ["Calf", ["calves", "soleus"]],
  ["Trunk", ["trunk_extensors", "trunk_flexors"]],
];
export const GROUP_NAMES: readonly string[] = GROUPS.map(([name]) => name);

/** The group an exercise is listed under, and how much it works it, 0 to 3. */
export function groupOf(e: Exercise): { group: string; emphasis: number } {
  const most = Math.max(0, ...Object.values(e.muscle_emphasis_0_3));
  const found = GROUPS.find(([, muscles]) => muscles.some((m) => e.muscle_emphasis_0_3[m] === most));
  return { group: found?.[0] ?? "Trunk", emphasis: most };
}

export interface SheetInput extends RowContext {
  exercises: readonly Exercise[];
  machines: readonly GymMachine[];
  /** done at home: the machines are what people have there */
  isAtHome?: boolean;
  motion: MeasuredMotion;
  goalIds: readonly string[];
  /** later phases of the client's conditions, soonest first */
  later: readonly LaterLimits[];
}

/**
 * Every exercise over the knee's angles: what limits and the set-up leave of it, what it loads, ranked in its group;
 * those that are barred apart, each with its reasons. Equal rows stay in the catalogue's order.
 */
export function rangeSheet(input: SheetInput): { rows: RangeRow[]; barred: BarredRow[] } {
  const families = new Set(input.machines.map((m) => m.family));
  const open: (Omit<RangeRow, "sentence"> & { rank: RankInput; terms: RankTerms; goals: string[] })[] = [];
  const barred: BarredRow[] = [];
  for (const e of input.exercises) {
    const found = rowOf(e, input);
    if (Array.isArray(found)) {
      barred.push({ e, reasons: [...new Set(found)], opens: opensWith(e, input) });
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
    };
    open.push({
      e,
      group,
      ...found,
      isAtHand: rank.isAtHand,
      rank,
      goals,
      terms: rankTerms(rank),
    });
  }
  const order = (group: string) => GROUP_NAMES.indexOf(group);
  open.sort((a, b) => order(a.group) - order(b.group) || scoreOf(b.terms) - scoreOf(a.terms));
  const means = new Map(GROUP_NAMES.map((g) => [g, meanTerms(open.filter((r) => r.group === g))]));
  const rows = open.map(({ rank, terms, goals, ...row }) => ({
    ...row,
    sentence: rankSentence(rank, terms, means.get(row.group) as RankTerms, input.tissue, goals),
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
function opensWith(e: Exercise, input: SheetInput): string | null {
  const found = input.later.find(
    (l) => fitExercise(e, l.bounds).status !== "blocked" && allowedArc(e, l.bounds, input.motion) !== null,
  );
  return found?.words ?? null;
}

/** A row, or the reasons why it is barred. `asked` are settings and a load that somebody chose by hand. */
export function rowOf(
  e: Exercise,
  input: SheetInput,
  asked: {
    settings?: Readonly<Record<string, number>>;
    load?: number;
    machineId?: string | null;
    window?: KneeWindow | null;
    policy?: RoundingPolicy;
  } = {},
): Pick<RangeRow, "status" | "changes" | "arc" | "computed"> | string[] {
  const fit = fitExercise(e, input.limits);
  if (fit.status === "blocked") return fit.reasons;
  const byWeight = barredByWeight(e, input.weight);
  if (byWeight) return [byWeight];
  const allowed = allowedArc(e, input.limits, input.motion);
  if (!allowed) return ["limits and the measured motion leave no knee angle for it"];
  const use = exerciseUse(e);
  const row = { status: fit.status, changes: fit.reasons };
  if (!use) {
    const arc = asked.window ? insideOf(allowed, asked.window) : allowed;
    return arc ? { ...row, arc, computed: null } : [outsideWords(allowed)];
  }
  const computed = computeSetUp(
    e,
    use,
    machineFor(use, input.machines, asked.machineId),
    allowed,
    input,
    asked,
  );
  if (typeof computed === "string") return [computed];
  const width = computed.arc.toDeg - computed.arc.fromDeg;
  if (!e.match.static_hold && !asked.window && width < Math.min(e.match.min_arc_deg, LEAST_ARC_DEG))
    return [
      `only ${Math.round(width)}° are left, because of ${computed.arc.cuts.map((c) => c.because).join(" and ")}`,
    ];
  return { ...row, arc: computed.arc, computed };
}

/** An arc below this is no repetition [own]. */
const LEAST_ARC_DEG = 15;
