import { z } from "zod";
import { repetitionsPossible } from "../load/workingLoad";
import type { PlannedSet } from "./contract";
import { moved, shareOfTarget } from "./parts";
import type { Tempo } from "./repetitionSeconds";

/** How the last of several sets may differ from the others. Rule X4. */
export const LAST_SETS = ["lighter", "slower", "nearer"] as const;
export const lastSet = z.enum(LAST_SETS, { error: "input.choose_last_set" });
export type LastSet = z.infer<typeof lastSet>;

/** What is lifted of the others' load, for as many as leave the same in reserve [own]. */
const LIGHTER_SHARE = 0.8;
const MOST_REPS = 30;
/** Lowering takes twice as long, never longer than this, for two thirds of the repetitions [own]. */
const SLOWER = { times: 2, mostS: 15, reps: 2 / 3 } as const;

/** Straight sets, as a set of them is asked. */
export interface Plain {
  reps: number;
  reserve: number;
  tempo: Tempo;
  restS: number;
}

export const slowerLowerS = (lowerS: number): number => Math.min(SLOWER.mostS, SLOWER.times * lowerS);

/** The last set in its own way. */
export function lastOf(how: LastSet, p: Plain): PlannedSet {
  switch (how) {
    case "lighter": {
      const can = Math.floor(repetitionsPossible(LIGHTER_SHARE * shareOfTarget(p)) - p.reserve);
      const reps = Math.max(p.reps, Math.min(MOST_REPS, can));
      return { ...moved(reps, p.tempo, p.restS, p.reserve), loadShare: LIGHTER_SHARE, last: how };
    }
    case "slower": {
      const tempo = { ...p.tempo, lowerS: slowerLowerS(p.tempo.lowerS) };
      return {
        ...moved(Math.max(1, Math.round(SLOWER.reps * p.reps)), tempo, p.restS, p.reserve),
        last: how,
      };
    }
    case "nearer":
      // the same load: one more is done, and one fewer is left; limits of the reserve still stand
      return { ...moved(p.reps + 1, p.tempo, p.restS, Math.max(0, p.reserve - 1)), last: how };
  }
}
