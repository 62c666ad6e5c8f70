import type { ByMuscle, Muscle } from "../balance";
import { isHard, type WeekSheet } from "./weekRules";

/** What a week of effective sets is held against, and how fast it may grow. Rule W1. */
export interface SetGuard {
  /** by muscle group: from and to of the phase's band */
  bands: Partial<Record<Muscle, { from: number; to: number }>>;
  /** sets a muscle group and week more than the week before: two, one where the mornings do not say that it went well */
  step: 1 | 2;
  /** after a flare: what was sore starts at 70 % */
  isSore: boolean;
  /** easily stirred up, or partial weight only: a bar; else a caution that a therapist may pass with a reason */
  isBar: boolean;
  /** on what is sore in one visit, by its own mornings. Rule W4 */
  mostTissue: number;
}

/** Without a phase of the rules: from learning to building [own]. */
const NO_PHASE = { from: 3, to: 10 } as const;
/** Beyond the band a week grows by so much of the week before, or by one set. */
const BEYOND = 0.2;
/** What a flare or a gap leaves of the sets before it. */
const RESTART = 0.7;
/** A week below half of the best of the last four was a gap and is no base. */
const GAP = 0.5;
const LAST_WEEKS = 4;
/** Days come whole: growth that was allowed and not used adds up, to so much of the last week at most [own]. */
const UNUSED_MOST = 2;

export const MUSCLES_OF = (all: readonly ByMuscle[]): Muscle[] => [
  ...new Set(all.flatMap((x) => Object.keys(x) as Muscle[])),
];

function capOf(
  m: Muscle,
  before: readonly ByMuscle[],
  lastMost: number,
  g: SetGuard,
  isFirst: boolean,
): number {
  const band = g.bands[m] ?? NO_PHASE;
  const last4 = before.slice(-LAST_WEEKS).map((w) => w[m] ?? 0);
  const last = last4.at(-1);
  if (last === undefined) return band.from;
  const top = Math.max(...last4);
  if (isFirst && g.isSore) return RESTART * Math.max(last, GAP * top);
  if (last < GAP * top) return Math.max(RESTART * top, last);
  const up = last + g.step;
  const grown = up <= band.to ? up : Math.max(band.to, last + Math.max(1, BEYOND * last));
  return Math.max(grown, Math.min((1 + BEYOND) * lastMost, UNUSED_MOST * last));
}

/**
 * The most effective sets of a week by muscle group, after what was done and planned before it: within the phase's band two
 * more than the week before (one where mornings are missing or sore), beyond it a fifth; 70 % after a flare or a gap. Days come
 * whole: one short day of each strength sheet is always left, two days after a week with one; of a bar only the lightest.
 * Rule W1.
 */
export function mostSets(
  before: readonly ByMuscle[],
  lastMost: ByMuscle | null,
  sheets: readonly WeekSheet[],
  guard: SetGuard,
  isFirst: boolean,
): ByMuscle {
  const least = leastDays(sheets, guard.isBar, hadDay(before.at(-1)));
  const again = guard.isBar || (isFirst && guard.isSore) ? {} : wholeDay(sheets);
  const most: ByMuscle = {};
  for (const m of MUSCLES_OF(sheets.map((s) => s.sets)))
    most[m] = Math.max(
      capOf(m, before, lastMost?.[m] ?? 0, guard, isFirst),
      least[m] ?? 0,
      Math.min(again[m] ?? 0, (guard.bands[m] ?? NO_PHASE).from),
    );
  return most;
}

/** A whole day of each sheet, up to the low end of the band: what a short day left out may come back [own]. */
const wholeDay = (sheets: readonly WeekSheet[]): ByMuscle =>
  sheets
    .filter((s) => s.times > 0)
    .reduce<ByMuscle>((sum, s) => {
      for (const m of Object.keys(s.sets) as Muscle[]) sum[m] = (sum[m] ?? 0) + (s.sets[m] ?? 0);
      return sum;
    }, {});

const hadDay = (last: ByMuscle | undefined): boolean => Object.values(last ?? {}).some((n) => n >= 2);

/** Days that are always left, as short as they go. */
function leastDays(sheets: readonly WeekSheet[], isBar: boolean, hadOne: boolean): ByMuscle {
  const strength = sheets.filter((s) => isHard(s.kind) && s.times > 0);
  const all = strength.length > 0 ? strength : sheets.filter((s) => total(s.sets) > 0);
  const shortest = all.map((s) => s.short?.sets ?? s.sets).sort((a, b) => total(a) - total(b));
  const [lightest] = shortest;
  if (!lightest) return {};
  // one day of each, and two in all once there was one
  const days = isBar ? [lightest] : shortest.length === 1 && hadOne ? [lightest, lightest] : shortest;
  const left: ByMuscle = {};
  for (const d of days) for (const m of Object.keys(d) as Muscle[]) left[m] = (left[m] ?? 0) + (d[m] ?? 0);
  return left;
}

const total = (s: ByMuscle): number => Object.values(s).reduce((sum, n) => sum + n, 0);

/** The muscle groups of which a week has more than it may. */
export const overSets = (sets: ByMuscle, most: ByMuscle): Muscle[] =>
  (Object.keys(most) as Muscle[]).filter((m) => (sets[m] ?? 0) > (most[m] ?? 0) + 1e-6);
