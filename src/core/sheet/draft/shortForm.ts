import type { Exercise } from "../../rules/exercises";
import { type ByMuscle, CREDITS, type Muscle } from "../../schedule/balance";
import { type SorePart, tissueDose } from "../effect/tissueDose";
import type { KeptLine } from "../line/keptLine";
import { workKindOf } from "../line/workKind";
import { effectiveSets } from "../schemes/effectiveSets";

/** Work that stands beside the main lines of a leg: left out first where a day is short [own]. */
const SUPPORT: ReadonlySet<string> = new Set(["hip_open", "calf", "stretch"]);
/** A sheet of so few lines keeps all of them. */
const LEAST_LINES = 2;

/** It trains one of the muscle groups most of all. */
export const isFor = (e: Exercise, muscles: readonly Muscle[]): boolean => {
  const kind = workKindOf(e);
  return kind !== null && muscles.some((m) => ((CREDITS[kind] as ByMuscle)[m] ?? 0) === 1);
};

/** One work set fewer, where there are two and more: ramps stay, a hold inside a set stays whole. */
export function fewer(l: KeptLine): KeptLine {
  const last = l.sets.findLastIndex((s) => s.role === "work");
  if (l.sets.filter((s) => s.role === "work").length < 2) return l;
  const sets = l.sets.filter((_, i) => i !== last);
  const share = sets.length / l.sets.length;
  const scheme =
    l.scheme && "sets" in l.scheme && l.scheme.sets > 1 ? { ...l.scheme, sets: l.scheme.sets - 1 } : l.scheme;
  return {
    ...l,
    sets,
    scheme,
    kneecapChairS: l.kneecapChairS * share,
    hardReps: Math.round(l.hardReps * share),
  };
}

/** Who a day is made short for: what the phase is for, what is sore and how much of it a visit may be. Rules W2, W4. */
export interface ShortFor {
  aimed: readonly Muscle[];
  sore: SorePart;
  mostTissue: number;
}

type ExerciseOf = (id: string) => Exercise | null;

/**
 * The lines of a sheet on a short day, made by rule: a set fewer of each, then support lines out; what the day is for stays,
 * and so does what trains the muscle groups that the phase is for. Where that still puts more on what is sore than this joint
 * takes, further sets go, those first that give least for what they load. Null where nothing can be left out. Rules W2, W4.
 */
export function shortForm(
  lines: readonly KeptLine[],
  exerciseOf: ExerciseOf,
  who: ShortFor,
): KeptLine[] | null {
  const isSupport = (l: KeptLine): boolean => {
    const e = exerciseOf(l.exerciseId);
    return e !== null && SUPPORT.has(e.match.class) && !isFor(e, who.aimed);
  };
  const main = lines.filter((l) => !isSupport(l));
  const kept = main.length > 0 && lines.length > LEAST_LINES ? keptOf(lines, main) : lines;
  const short = withinRoom(kept.map(fewer), exerciseOf, who);
  const [first] = short;
  if (first?.sharesRests) short[0] = { ...first, sharesRests: false };
  return setsIn(short) < setsIn(lines) ? short : null;
}

/**
 * Sets off until what is sore is given no more than it takes, of those lines first that give least for what they load, and
 * then lines out. One line is always left. Rule W4.
 */
function withinRoom(short: readonly KeptLine[], exerciseOf: ExerciseOf, who: ShortFor): KeptLine[] {
  const dose = (l: KeptLine) => tissueDose(l, exerciseOf(l.exerciseId), who.sore);
  const doseOf = (all: readonly KeptLine[]) => all.reduce((sum, l) => sum + dose(l), 0);
  if (doseOf(short) <= who.mostTissue) return [...short];
  const gives = (l: KeptLine): number => {
    const e = exerciseOf(l.exerciseId);
    const sets = effectiveSets({ scheme: l.scheme, sets: l.sets, share: l.share });
    // what is for the phase's muscles, and what can be made heavier, is worth more of the room [own]
    const worth = (e && isFor(e, who.aimed) ? 2 : 1) * ((l.offers?.loads.length ?? 0) > 1 ? 2 : 1);
    return (sets * worth) / Math.max(1e-6, dose(l));
  };
  let left = [...short];
  while (left.length > 1 && doseOf(left) > who.mostTissue) {
    const loads = left.filter((l) => dose(l) > 0).sort((a, b) => gives(a) - gives(b) || dose(b) - dose(a));
    const least = loads.find((l) => fewer(l) !== l) ?? loads[0];
    if (!least) break;
    const one = fewer(least);
    left = one === least ? left.filter((l) => l !== least) : left.map((l) => (l === least ? one : l));
  }
  return left;
}

const setsIn = (all: readonly KeptLine[]): number => all.reduce((sum, l) => sum + l.sets.length, 0);

/** Main lines, and from the top as many others as make a sheet. */
function keptOf(lines: readonly KeptLine[], main: readonly KeptLine[]): readonly KeptLine[] {
  if (main.length >= LEAST_LINES) return lines.filter((l) => main.includes(l));
  const beside = lines.filter((l) => !main.includes(l)).slice(0, LEAST_LINES - main.length);
  return lines.filter((l) => main.includes(l) || beside.includes(l));
}

/** Seconds before the first set: warming up and setting up. */
const LEAD_S = 330;

/** Seconds of the short form by those of the whole: sets and rests as they stand, what comes before them as it is. */
export function shortSeconds(
  whole: readonly KeptLine[],
  short: readonly KeptLine[],
  seconds: number,
): number {
  const of = (all: readonly KeptLine[]) =>
    all.reduce((sum, l) => sum + l.sets.reduce((t, s) => t + s.workS + s.restS, 0), 0);
  const lead = Math.min(LEAD_S, seconds);
  const total = of(whole);
  return total === 0 ? seconds : lead + (seconds - lead) * (of(short) / total);
}
