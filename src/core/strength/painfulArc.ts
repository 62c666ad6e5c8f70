import { z } from "zod";

/** How the knee was moved when it hurt: the foot free, straightening or bending, or standing and pressing on it. */
export const painfulMove = z.enum(["extension", "flexion", "closed"], { error: "input.choose_move" });
export type PainfulMove = z.infer<typeof painfulMove>;

/** Angles between which it hurts in one way of moving, as it was last looked for. Rule K27. */
export interface PainfulArc {
  moved: PainfulMove;
  fromDeg: number;
  toDeg: number;
  /** moved with; null: nothing added */
  loadKg: number | null;
  /** the worst in it, 0 to 10 */
  pain: number;
  /** ISO day */
  on: string;
}

/** Older ones tell nothing of today [own]. */
export const PAINFUL_ARC_DAYS = 42;
/** So far a window stays from where it hurts [own]. */
export const AROUND_PAIN_DEG = 5;

/** Finer than this nobody feels or reads it [own]. */
export const LEAST_ARC_DEG = 5;

/** Pain has its two angles, wide enough; none found has none. The database holds the same (0026_painful_arc.sql). */
export const isWholeArc = (a: { pain: number; fromDeg: number | null; toDeg: number | null }): boolean =>
  a.pain === 0
    ? a.fromDeg === null && a.toDeg === null
    : a.fromDeg !== null && a.toDeg !== null && a.toDeg - a.fromDeg >= LEAST_ARC_DEG;

const MOVE_OF: Readonly<Record<string, PainfulMove>> = {
  open_knee_extension: "extension",
  open_knee_flexion: "flexion",
  closed_knee_flexion: "flexion",
  closed_knee: "closed",
};

/** Where it hurts in the way an exercise of this class moves the knee; null: not known to. */
export const painfulArcOf = (exerciseClass: string, arcs: readonly PainfulArc[]): PainfulArc | null =>
  arcs.find((a) => a.moved === MOVE_OF[exerciseClass]) ?? null;

interface Span {
  fromDeg: number;
  toDeg: number;
}

/** Whether a span of angles comes into what hurts, the distance kept. */
export const comesInto = (span: Span, painful: Span): boolean =>
  span.fromDeg < painful.toDeg + AROUND_PAIN_DEG && span.toDeg > painful.fromDeg - AROUND_PAIN_DEG;

/** Of lines by their class and the angles they travel or are held at: those that come into what hurts, by line. */
export function painfulByLine(
  lines: readonly { lineId: string; exerciseClass: string; fromDeg: number | null; toDeg: number | null }[],
  arcs: readonly PainfulArc[],
): Record<string, PainfulArc> {
  return Object.fromEntries(
    lines.flatMap(({ lineId, exerciseClass, fromDeg, toDeg }) => {
      const arc = painfulArcOf(exerciseClass, arcs);
      return arc && fromDeg !== null && toDeg !== null && comesInto({ fromDeg, toDeg }, arc)
        ? [[lineId, arc] as const]
        : [];
    }),
  );
}

/** The parts of a span on both sides of what hurts, in steps, the wider first; none narrower than `leastDeg`. */
export function aroundPain(
  span: Span,
  painful: Span,
  { stepDeg, leastDeg }: { stepDeg: number; leastDeg: number },
): Span[] {
  const straighter = {
    fromDeg: span.fromDeg,
    toDeg: Math.floor(Math.min(span.toDeg, painful.fromDeg - AROUND_PAIN_DEG) / stepDeg) * stepDeg,
  };
  const deeper = {
    fromDeg: Math.ceil(Math.max(span.fromDeg, painful.toDeg + AROUND_PAIN_DEG) / stepDeg) * stepDeg,
    toDeg: span.toDeg,
  };
  const width = (s: Span) => s.toDeg - s.fromDeg;
  return [straighter, deeper].filter((s) => width(s) >= leastDeg).sort((a, b) => width(b) - width(a));
}

/** So much more in a set than usual: where in its way it hurts is worth finding [own]. */
const WORTH_FINDING = 2;
export const isWorthFinding = (set: { painDuring: number | null; usualPain: number }): boolean =>
  set.painDuring !== null && set.painDuring >= set.usualPain + WORTH_FINDING;
