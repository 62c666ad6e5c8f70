/** Why the start is no higher. */
export type StartBecause = "high" | "early" | "severe" | "moderate" | "untested";

/** Most force through the foot of a leg on a machine, until a repetition test stands for it. */
export interface StartCap {
  /** of the body's weight, per leg */
  bodyWeights: number;
  because: StartBecause;
}

/** Resting pain from here on, or pain at its worst, counts as severe [own]. */
const SEVERE_AT_REST = 5;
const SEVERE_AT_WORST = 8;

/**
 * A press near straight asks hardly anything of the knee, so the knee's strength alone would allow any stack. Until it is
 * known what this leg lifts on this machine, the foot carries no more than this. A leg stands on 1.0; a chair rise asks
 * for half of it. Corrections K1 [own].
 */
export function startCapOf(c: {
  irritability: "low" | "moderate" | "high";
  /** after surgery and not yet in the last two phases */
  isPostOp: boolean;
  painAtRest: number;
  painAtWorst: number | null;
}): StartCap {
  if (c.irritability === "high") return { bodyWeights: 0.25, because: "high" };
  if (c.isPostOp) return { bodyWeights: 0.25, because: "early" };
  if (c.painAtRest >= SEVERE_AT_REST || (c.painAtWorst ?? 0) >= SEVERE_AT_WORST)
    return { bodyWeights: 0.25, because: "severe" };
  if (c.irritability === "moderate") return { bodyWeights: 0.5, because: "moderate" };
  return { bodyWeights: 0.75, because: "untested" };
}
