import type { InForce } from "../bounds/inForce";
import type { Exercise } from "../rules/exercises";
import { fromKept, type Said, saidWith } from "../units/said";
import { addedScheme, schemeInPlaceOf } from "./addedSchemes";
import type { DraftFacts } from "./draftFacts";
import { type DraftLine, has } from "./draftLine";

/** What a rule of a draft may look at, and how it says what has to be asked or left out. */
export interface Change {
  facts: DraftFacts;
  limits: InForce;
  exercise: (id: string) => Exercise | null;
  /** whether an exercise fits the limits and is there today */
  fits: (id: string) => boolean;
  /** why an exercise is barred, null where it is not */
  barredBecause: (id: string) => Said | null;
  /** the earliest later phase in which an exercise fits, null where none does */
  opens: (id: string) => Said | null;
  note: (said: Said) => void;
}

export const nameOf = (c: Change, id: string): string => c.exercise(id)?.name ?? id;

/** A line that is not there, and why. */
export const leftOut = (c: Change, id: string, because: Said): Said =>
  saidWith("drafts.left_out", { name: nameOf(c, id), because });

type IsLine = (line: DraftLine) => boolean;

export const isClass =
  (c: Change, ...classes: Exercise["match"]["class"][]): IsLine =>
  (l) => {
    const e = c.exercise(l.exerciseId);
    return e !== null && classes.includes(e.match.class);
  };

export const onEach = (lines: DraftLine[], is: IsLine, then: (l: DraftLine) => DraftLine): DraftLine[] =>
  lines.map((l) => (is(l) ? then(l) : l));

/** One exercise in the place of another, where it fits; the same exercise never twice. */
export function swap(lines: DraftLine[], c: Change, from: string, to: string, why: string): DraftLine[] {
  const other = c.exercise(to);
  if (!has(lines, from) || !other || !c.fits(to)) return lines;
  if (has(lines, to)) return lines.filter((l) => l.exerciseId !== from);
  return onEach(
    lines,
    (l) => l.exerciseId === from,
    (l) => ({ ...l, exerciseId: to, ...schemeInPlaceOf(l, other), why }),
  );
}

export function drop(lines: DraftLine[], c: Change, ids: readonly string[], why: string): DraftLine[] {
  for (const l of lines) if (ids.includes(l.exerciseId)) c.note(leftOut(c, l.exerciseId, fromKept(why)));
  return lines.filter((l) => !ids.includes(l.exerciseId));
}

/** A line that what hurts, what is weak or the client's years ask for; where it stands already it is kept from being dropped. */
export function addLine(
  lines: DraftLine[],
  c: Change,
  exerciseId: string,
  how: { why: string; at: "first" | "support" | "main" | "last"; role?: DraftLine["role"] },
): DraftLine[] {
  const stands = lines.find((l) => l.exerciseId === exerciseId);
  if (stands) {
    const asked = { ...stands, isAsked: true };
    return how.at === "first"
      ? [asked, ...lines.filter((l) => l !== stands)]
      : lines.map((l) => (l === stands ? asked : l));
  }
  const e = c.exercise(exerciseId);
  if (!e || !c.fits(exerciseId)) return lines;
  const made: DraftLine = {
    exerciseId,
    role: how.role ?? (how.at === "main" ? "main" : "support"),
    scheme: addedScheme(e),
    legs: "together",
    window: null,
    why: how.why,
    isAsked: how.at !== "last",
  };
  if (how.at === "last") return [...lines, made];
  const at =
    how.at === "first" ? 0 : lines.findLastIndex((l) => l.role === "main" || l.role === "warm_up") + 1;
  return [...lines.slice(0, at), made, ...lines.slice(at)];
}
