import type { Legs } from "../sheet/line/legs";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { isPlainSets, type Scheme } from "../sheet/schemes/scheme";
import type { Role } from "./draftData";

/** A line on its way into a draft. */
export interface DraftLine {
  exerciseId: string;
  role: Role;
  scheme: Scheme;
  legs: Legs;
  window: ScoreLine["window"];
  /** kept text: a code of ours, or the words of the rule */
  why: string;
  /** what hurts, what is weak or the goal asked for it: it is not dropped to save time */
  isAsked: boolean;
  /** the first to go where lines or time are short; missing: it is not */
  isExtra?: boolean;
}

/** Whether a session has one of these already. */
export const has = (lines: readonly DraftLine[], ...ids: string[]): boolean =>
  lines.some((l) => ids.includes(l.exerciseId));

/** The same with other numbers where its scheme has them. */
export function withSets(line: DraftLine, sets: (now: number) => number): DraftLine {
  if (!("sets" in line.scheme)) return line;
  return {
    ...line,
    scheme: { ...line.scheme, sets: Math.max(1, Math.min(10, sets(line.scheme.sets))) } as Scheme,
  };
}

export function withReserve(line: DraftLine, reserve: (now: number) => number): DraftLine {
  const { scheme } = line;
  if (!isPlainSets(scheme)) return line;
  return { ...line, scheme: { ...scheme, reserve: Math.max(0, Math.min(8, reserve(scheme.reserve))) } };
}

export function withFeltAtMost(line: DraftLine, most: number): DraftLine {
  const { scheme } = line;
  if (scheme.kind !== "holds" || scheme.effort.kind !== "felt" || scheme.effort.felt <= most) return line;
  return { ...line, scheme: { ...scheme, effort: { kind: "felt", felt: most } } };
}

/** Never further bent than this. */
export function bentAtMost(line: DraftLine, mostDeg: number): DraftLine {
  if (line.window && line.window.toDeg > mostDeg)
    return { ...line, window: { ...line.window, toDeg: mostDeg } };
  return line;
}

export const plainLine = (
  exerciseId: string,
  role: Role,
  how: Pick<DraftLine, "scheme" | "window">,
  legs: DraftLine["legs"],
  why: string,
): DraftLine => ({ exerciseId, role, ...how, legs, why, isAsked: false });
