import { hardRepetitions } from "../effect/repetitionFatigue";
import type { PlannedSet } from "./contract";

/** What a scheme takes and gives. */
export interface SchemeTotals {
  /** from setting up to the end, on its own */
  seconds: number;
  /** of one leg: repetitions with four or fewer in reserve; null where that means nothing: holds and stretches */
  hard: number | null;
  /** sets of one leg that are hard enough to make it stronger. Rule D1 */
  effective: number;
  /** seconds under tension of one leg */
  tensionS: number;
}

/** Hard repetitions of sets as they are planned; null for holds. Dosing rules D9. */
export function hardOf(sets: readonly PlannedSet[]): number | null {
  if (sets.some((s) => s.reps === null)) return null;
  return sets.reduce(
    (sum, s) => sum + (s.reps === null || s.reserve === null ? 0 : hardRepetitions(s.reps, s.reserve)),
    0,
  );
}

export const tensionOf = (sets: readonly PlannedSet[]): number =>
  sets.reduce((sum, s) => sum + s.tensionS, 0);
