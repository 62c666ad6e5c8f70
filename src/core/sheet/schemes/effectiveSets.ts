import type { PlannedSet } from "./contract";
import { LEAST_EFFECTIVE_SHARE } from "./parts";
import { ownEffective, type Scheme } from "./scheme";

/** From here on a share of the maximum counts whole, and half. Rule D1 [own]. */
export const FULL_RESERVE = 4;
const WHOLE = { reserve: FULL_RESERVE, share: 0.5 } as const;
const HALF = { reserve: 6, share: LEAST_EFFECTIVE_SHARE } as const;

/** What one set of repetitions counts, by what was left after it and by the share of the maximum that it asked. */
function countOf(reserve: number | null, share: number | null): number {
  if (reserve === null) return 0;
  const at = share ?? 1;
  if (reserve <= WHOLE.reserve && at >= WHOLE.share - 1e-9) return 1;
  return reserve <= HALF.reserve && at >= HALF.share - 1e-9 ? 0.5 : 0;
}

/** What effective sets are counted from; `share`: of the one-repetition maximum as it is set, null where nothing says. */
export interface CountedLine {
  scheme?: Scheme;
  sets: readonly PlannedSet[];
  share: number | null;
}

/**
 * Sets of one leg that are hard enough to make it stronger: not a measured thing, a common way to count. Warm-ups, stretches
 * and what is far too light count nothing. Rule D1.
 */
export function effectiveSets({ scheme, sets, share }: CountedLine): number {
  const own = scheme ? ownEffective(scheme, share) : null;
  if (own !== null) return own;
  return sets.reduce((sum, s) => sum + plannedCount(s, share), 0);
}

const plannedCount = (s: PlannedSet, share: number | null): number =>
  s.role === "ramp" || s.reps === null ? 0 : countOf(s.reserve, share === null ? null : share * s.loadShare);

/** One logged set: repetitions or seconds that were done, and what was said to be left. */
export interface CountedRecord {
  setNo: number;
  reps: number | null;
  reserve: number | null;
  early: string | null;
}

/**
 * What a week's growth is counted from: a set that was done as planned counts at least what it was planned as, however easy it
 * was. Else who found everything light would have a base of nothing and never be given more. Rule W1.
 */
export function effectiveBase(line: CountedLine, done: readonly CountedRecord[]): number {
  const { scheme, sets, share } = line;
  if (scheme && ownEffective(scheme, share) !== null) return effectiveDone(line, done);
  return done.reduce((sum, r) => {
    const planned = sets[r.setNo - 1] ?? sets.at(-1);
    if (!planned) return sum;
    const isDone = r.early === null && r.reps !== null && planned.reps !== null && r.reps >= planned.reps;
    return sum + Math.max(effectiveDone(line, [r]), isDone ? plannedCount(planned, share) : 0);
  }, 0);
}

/**
 * The same of what was done: what was said to be left counts in place of what was planned; a set that the muscle ended left
 * nothing.
 */
export function effectiveDone(line: CountedLine, done: readonly CountedRecord[]): number {
  const { scheme, sets, share } = line;
  const own = scheme ? ownEffective(scheme, share) : null;
  if (own !== null) {
    const planned = sets.reduce((sum, s) => sum + (s.holds?.reps ?? s.reps ?? 0), 0);
    const came = done.reduce((sum, r) => sum + (r.reps ?? 1), 0);
    return planned === 0 ? 0 : own * Math.min(1, came / planned);
  }
  return done.reduce((sum, r) => {
    const planned = sets[r.setNo - 1] ?? sets.at(-1);
    if (!planned || planned.role === "ramp" || !r.reps) return sum;
    const left = r.early === "muscle" ? 0 : (r.reserve ?? planned.reserve);
    return sum + countOf(left, share === null ? null : share * planned.loadShare);
  }, 0);
}
