import type { z } from "zod";
import type { EnduranceJoint } from "../../isometrics/joints";
import type { Gate } from "./gates";
import type { LastSet } from "./lastSet";
import type { Tempo } from "./repetitionSeconds";

/** One set of one leg as it is planned. */
export interface PlannedSet {
  role: "ramp" | "work";
  /** seconds from its start to its end, and those of them under tension */
  workS: number;
  tensionS: number;
  /** seconds to the next set of the same leg */
  restS: number;
  /** null for holds and stretches */
  reps: number | null;
  /** holds inside the set; null for repetitions */
  holds: { reps: number; holdS: number; restS: number } | null;
  /** of the working load: below 1 in a ramp and after a drop, above 1 in a climb */
  loadShare: number;
  /** repetitions planned to be left afterwards; null where that means nothing */
  reserve: number | null;
  /** how it differs from the sets before it; missing: it does not. Rule X4 */
  last?: LastSet;
}

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
export type Stepped<P> = P | "load" | null;

/** Repetitions of a set and how many are planned to be left after it. */
export interface RepetitionTarget {
  reps: number;
  reserve: number;
}

/** A kind of scheme with all that is asked of it; nothing outside its file asks which kind a scheme is for these. */
export interface SchemeSpec<P> {
  schema: z.ZodType<P>;
  /** why it may not be used for a client today */
  gates: readonly Gate[];
  /** the same for what is special in this one */
  ownGates?: (p: P) => readonly Gate[];
  /** seconds of each part of a repetition; null where there are none, or nobody counts them */
  tempo: (p: P) => Tempo | null;
  /** of one leg, in order; the rest of the last one is not used */
  sets: (p: P) => PlannedSet[];
  /** null for holds, stretches and sets to the end */
  target: (p: P) => RepetitionTarget | null;
  /** share of the one-repetition maximum at which it starts; null where none is lifted */
  liftedShare: (p: P) => number | null;
  /** most of the one-repetition maximum that it is still what it is called; missing where nothing bounds it */
  mostLiftedShare?: (p: P) => number;
  /** share of what the knee can hold that its load is set to before two light sets found the real one; null: no load */
  heldShare: (p: P, joint: EnduranceJoint, k: number) => number | null;
  /** effective sets of the whole of it for one leg at a share of the maximum (null: as it is planned), where they are not counted set by set. Rule D1 */
  effective?: (p: P, share: number | null) => number;
  /** how it climbs and steps back */
  progress: (p: P, step: ProgressStep) => Stepped<P>;
}
