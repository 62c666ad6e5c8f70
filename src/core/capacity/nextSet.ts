import { kFactorUnbounded } from "../strength/repetitionMaximum";
import type { Ended } from "./observe";
import type { Care } from "./shows";
import { demandNm, hardestOf, type Lift } from "./station";

/** A set that was done, and what was planned of it. */
export interface LastSet {
  loadKg: number;
  reps: number;
  plannedReps: number;
  reserve: number | null;
  ended: Ended;
}

export interface NextSet {
  loadKg: number;
  reps: number;
}

/** What a set may become: repetitions to be left, fewest and most of the ladder, real loads that are open. */
export interface SetRules {
  reserve: number;
  ladder: { least: number; most: number };
  care: Care;
  loads: readonly number[];
}

/** Light sets are badly judged: beyond six left each counts half, up to eight. */
const WELL_JUDGED = 6;
const MOST_JUDGED = 8;
/** Most more of demand within one visit, and of one real step where none is finer. Rule L8 [own]. */
const MOST_RISE = { usual: { by: 1.2, step: 1.25 }, strict: { by: 1.1, step: 1.15 } } as const;
/** The muscle gave out: at least so much less. */
const LEAST_LESS = 0.95;

/**
 * The next set of a line by how the last one went: the largest real load that leaves the ladder's fewest repetitions, and
 * as many repetitions as fit; where no real step fits, more repetitions. Null where the line ends. Rules L8, P2.
 */
export function nextSet(station: Lift, set: LastSet, rules: SetRules): NextSet | null {
  const { reserve, ladder, care, loads } = rules;
  const now = demandNm(station, set.loadKg);
  const ratio = (l: number) => demandNm(station, l) / now;
  const k = (reps: number) => kFactorUnbounded(Math.max(1, reps / station.repetitionsFactor));
  const same: NextSet = { loadKg: set.loadKg, reps: set.plannedReps };
  if (set.ended === "muscle") {
    if (care === "strict") return null;
    const most = Math.min(LEAST_LESS, k(set.reps) / k(same.reps + reserve));
    const less = loads.filter((l) => ratio(l) <= most + 1e-9);
    return less.length > 0 ? { loadKg: hardestOf(station, less), reps: same.reps } : null;
  }
  if (set.ended !== "planned" || set.reserve === null) return same;
  const left =
    set.reserve <= WELL_JUDGED
      ? set.reserve
      : Math.min(MOST_JUDGED, WELL_JUDGED + (set.reserve - WELL_JUDGED) / 2);
  const can = k(set.reps + left);
  const { by, step } = MOST_RISE[care === "strict" ? "strict" : "usual"];
  const harder = loads.filter((l) => ratio(l) > 1 + 1e-9).sort((a, b) => ratio(a) - ratio(b));
  const fits = harder.filter(
    (l, i) =>
      (ratio(l) <= by + 1e-9 || (i === 0 && ratio(l) <= step + 1e-9)) &&
      ratio(l) * k(ladder.least + reserve) <= can + 1e-9,
  );
  const loadKg = fits.at(-1) ?? set.loadKg;
  let reps = ladder.least;
  while (reps < ladder.most && ratio(loadKg) * k(reps + 1 + reserve) <= can + 1e-9) reps++;
  return loadKg === set.loadKg
    ? { loadKg, reps: Math.max(same.reps, reps) }
    : { loadKg, reps: Math.min(reps, Math.max(ladder.least, same.reps)) };
}
