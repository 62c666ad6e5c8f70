import type { Exercise } from "../../rules/exercises";
import type { KeptLine } from "../line/keptLine";

/** Work that stands beside the main lines of a leg: left out first where a day is short [own]. */
const SUPPORT: ReadonlySet<string> = new Set(["hip_open", "calf", "stretch"]);
/** A sheet of so few lines keeps all of them. */
const LEAST_LINES = 2;

/** One work set fewer, where there are two and more: ramps stay, a hold inside a set stays whole. */
function fewer(l: KeptLine): KeptLine {
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

/**
 * The lines of a sheet on a short day, made by rule: a set fewer of each, then support lines out; what the day is for stays.
 * Null where nothing can be left out. Rule W2.
 */
export function shortForm(
  lines: readonly KeptLine[],
  exerciseOf: (id: string) => Pick<Exercise, "match"> | null,
): KeptLine[] | null {
  const isSupport = (l: KeptLine): boolean => SUPPORT.has(exerciseOf(l.exerciseId)?.match.class ?? "");
  const main = lines.filter((l) => !isSupport(l));
  const kept = main.length > 0 && lines.length > LEAST_LINES ? keptOf(lines, main) : lines;
  const short = kept.map((l, i) => {
    const one = fewer(l);
    return i === 0 && one.sharesRests ? { ...one, sharesRests: false } : one;
  });
  const setsOf = (all: readonly KeptLine[]): number => all.reduce((sum, l) => sum + l.sets.length, 0);
  return setsOf(short) < setsOf(lines) ? short : null;
}

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
