import { SLOW_RUNGS } from "../schemes/kinds/slow";
import type { ScoreLine } from "./scoreInput";

/** Repetitions from the fewest to the most before the load steps. */
export interface RepsLadder {
  least: number;
  most: number;
}

/** Where no ladder was set, so many repetitions are climbed before a load steps [own]. */
const CLIMBED = 4;
const MOST_REPS = 20;
const MOST_LIGHT_REPS = 40;
/** Beyond so many repetitions a set is for another end; light and many goes further. Rule P3. */
export const mostRepsOf = ({ kind }: Pick<ScoreLine["scheme"], "kind">): number =>
  kind === "light" ? MOST_LIGHT_REPS : kind === "slow" ? SLOW_RUNGS[0] : MOST_REPS;

/**
 * A line's own ladder of repetitions, else from what is planned upward, of slow and heavy to the first rung of its course. Null
 * where nothing is counted. Rules P1, D4.
 */
export function repsLadder({ ladder, scheme }: Pick<ScoreLine, "ladder" | "scheme">): RepsLadder | null {
  if (ladder?.of === "reps") return { least: ladder.least, most: ladder.most };
  if (!("reps" in scheme) || scheme.kind === "holds") return null;
  if (scheme.kind === "slow") return { least: scheme.reps, most: SLOW_RUNGS[0] };
  return {
    least: scheme.reps,
    most: Math.max(scheme.reps, Math.min(mostRepsOf(scheme), scheme.reps + CLIMBED)),
  };
}
