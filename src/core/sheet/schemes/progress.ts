import type { Scheme, SchemeKind } from "./scheme";

/** One step of a line, inside what today's limits leave. */
export interface ProgressStep {
  /** "more": more of the same load, until the top of the range is done */
  to: "up" | "down" | "more";
  /** the next rung of a hold in that direction; null: none is left */
  nextDeg: number | null;
  /** the longest hold that is allowed, s */
  mostS: number;
  most: { felt: number; percent: number };
  /** repetitions that "more" adds, and the range they stay in */
  moreReps: number;
  reps: { least: number; most: number };
}

/** What a step makes of a scheme: another one, "load" for the next real load, null at the end of the way. */
export type Stepped<S> = S | "load" | null;
type Progress = {
  [K in SchemeKind]: (
    s: Extract<Scheme, { kind: K }>,
    step: ProgressStep,
  ) => Stepped<Extract<Scheme, { kind: K }>>;
};

const LONGER_BY_S = 5;
const LONGEST_S = 45;
const EFFORT = {
  felt: { least: 2, most: 8, up: 0.5, down: -1 },
  percent: { least: 20, most: 80, up: 5, down: -10 },
} as const;

type Holds = Extract<Scheme, { kind: "holds" }>;

/** The same holds a step harder or easier; null at the end of the scale or of what is allowed. Dosing rules E6. */
function withEffort(s: Holds, to: "up" | "down", most: ProgressStep["most"]): Holds | null {
  const { kind } = s.effort;
  const scale = EFFORT[kind];
  const now = s.effort.kind === "felt" ? s.effort.felt : s.effort.percent;
  const next = Math.max(scale.least, Math.min(scale.most, most[kind], now + scale[to]));
  if (to === "up" ? next <= now : next >= now) return null;
  return { ...s, effort: kind === "felt" ? { kind, felt: next } : { kind, percent: next } };
}

/** The next rung, then longer up to 45 s, then harder; back: a rung, then easier. Dosing rules E4, E6. */
function holds(s: Holds, step: ProgressStep): Stepped<Holds> {
  // all of the planned seconds come first: nothing else changes
  if (step.to === "more") return s;
  if (step.nextDeg !== null) return { ...s, atDeg: step.nextDeg };
  const holdS = Math.min(LONGEST_S, step.mostS, s.holdS + LONGER_BY_S);
  return step.to === "up" && holdS > s.holdS ? { ...s, holdS } : withEffort(s, step.to, step.most);
}

/** More repetitions up to the top of the range, then the next real load and the bottom of the range again. Dosing rules E3. */
const repetitions =
  (highest: number) =>
  <S extends { reps: number }>(s: S, step: ProgressStep): Stepped<S> => {
    if (step.to !== "more") return "load";
    const reps = Math.min(highest, step.reps.most, s.reps + step.moreReps);
    return reps > s.reps ? { ...s, reps } : s;
  };

/** Sets that count for themselves change their load only. */
const byLoad = <S>(s: S, step: ProgressStep): Stepped<S> => (step.to === "more" ? s : "load");

const STRETCH = { upS: 5, downS: 10, leastS: 10, mostS: 60 } as const;
const CARRY = { stepM: 5, leastM: 5, goalM: 20, mostKg: 60, stepKg: 1 } as const;

/** How each scheme climbs and steps back. Every kind has its row, so the table is total. */
const PROGRESS: Progress = {
  holds,
  straight: repetitions(30),
  ramp: repetitions(15),
  climb: byLoad,
  accumulated: byLoad,
  drop: byLoad,
  partials: repetitions(20),
  pulses: repetitions(20),
  light: repetitions(40),
  lowering: repetitions(10),
  two_up_one_down: repetitions(10),
  // further first, then heavier; back the other way round
  carry: (s, step) => {
    if (step.to === "more") return s;
    if (step.to === "up") {
      if (s.distanceM < CARRY.goalM)
        return { ...s, distanceM: Math.min(CARRY.goalM, s.distanceM + CARRY.stepM) };
      return s.carriedKg < CARRY.mostKg ? { ...s, carriedKg: s.carriedKg + CARRY.stepKg } : null;
    }
    if (s.carriedKg > 0) return { ...s, carriedKg: Math.max(0, s.carriedKg - 2 * CARRY.stepKg) };
    return s.distanceM > CARRY.leastM
      ? { ...s, distanceM: Math.max(CARRY.leastM, s.distanceM - CARRY.stepM) }
      : null;
  },
  // dosing rules H1
  stretch: (s, step) => {
    if (step.to === "more") return s;
    const toleratedS =
      step.to === "up"
        ? Math.min(STRETCH.mostS, s.toleratedS + STRETCH.upS)
        : Math.max(STRETCH.leastS, s.toleratedS - STRETCH.downS);
    return toleratedS === s.toleratedS ? null : { ...s, toleratedS };
  },
};

export function progressed(s: Scheme, step: ProgressStep): Stepped<Scheme> {
  const own = PROGRESS[s.kind] as (x: Scheme, y: ProgressStep) => Stepped<Scheme>;
  return own(s, step);
}
