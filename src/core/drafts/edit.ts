import type { InForce } from "../bounds/inForce";
import type { Scheme } from "../dose/scheme";
import type { Exercise } from "../rules/exercises";
import { lowerFirst } from "../units/lowerFirst";
import type { DraftFacts } from "./draftFacts";
import { type DraftLine, has } from "./draftLine";

/** What a rule of a draft may look at, and how it says what has to be asked or left out. */
export interface Change {
  facts: DraftFacts;
  limits: InForce;
  exercise: (id: string) => Exercise | null;
  /** whether an exercise fits the limits and is there today */
  fits: (id: string) => boolean;
  /** the earliest later phase in which an exercise fits, in words; null where none does */
  opens: (id: string) => string | null;
  note: (sentence: string) => void;
}

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
  if (!has(lines, from) || !c.fits(to)) return lines;
  if (has(lines, to)) return lines.filter((l) => l.exerciseId !== from);
  return onEach(
    lines,
    (l) => l.exerciseId === from,
    (l) => ({ ...l, exerciseId: to, ...schemeFor(c.exercise(to), l), why }),
  );
}

export function drop(lines: DraftLine[], c: Change, ids: readonly string[], why: string): DraftLine[] {
  for (const l of lines)
    if (ids.includes(l.exerciseId))
      c.note(`Left out: ${lowerFirst(c.exercise(l.exerciseId)?.name ?? l.exerciseId)}, because ${why}.`);
  return lines.filter((l) => !ids.includes(l.exerciseId));
}

const TEMPO = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
/** What an added line begins with [own]. */
const USUAL_ADDED: Scheme = { kind: "straight", sets: 2, reps: 12, reserve: 4, tempo: TEMPO, restS: 60 };
const USUAL_HOLDS: Scheme = {
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 15,
  restS: 30,
  setRestS: 60,
  effort: { kind: "felt", felt: 4 },
  atDeg: null,
};

/** A held exercise is held, a moved one is moved: the scheme follows the exercise. */
function schemeFor(e: Exercise | null, l: DraftLine): Pick<DraftLine, "scheme" | "window"> {
  const isHeld = e?.match.static_hold ?? false;
  if (isHeld && l.scheme.kind !== "holds") return { scheme: USUAL_HOLDS, window: null };
  if (!isHeld && l.scheme.kind === "holds" && e?.match.class !== "open_knee_extension")
    return { scheme: USUAL_ADDED, window: null };
  return { scheme: l.scheme, window: l.window };
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
  if (!c.fits(exerciseId)) return lines;
  const isHeld = c.exercise(exerciseId)?.match.static_hold ?? false;
  const made: DraftLine = {
    exerciseId,
    role: how.role ?? (how.at === "main" ? "main" : "support"),
    scheme: isHeld ? USUAL_HOLDS : USUAL_ADDED,
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
