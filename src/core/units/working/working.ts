import type { Said } from "../said";

/** Where an input of a computation came from; estimates are drawn differently from measurements. */
export type Origin = "measured" | "estimated" | "default" | "entered";

/** Confidence marks of the rule base; "own" is a rule of this product with no literature behind it. */
export type Confidence = "high" | "medium" | "low" | "own";

export interface WorkingInput {
  name: Said;
  value: Said;
  origin: Origin;
  /** what it was taken from, and when */
  from?: Said;
}

/** The working behind a number: rendered by one component, wherever the number stands. */
export interface Working {
  formulaId: string;
  formula: Said;
  inputs: WorkingInput[];
  source: Said;
  confidence: Confidence;
  /** what this number cannot tell */
  cannotTell?: Said;
}

/** A computed number. `doubt` is a half-width in the same unit (about 95 %), null where we cannot say. */
export interface Computed {
  value: number;
  unit: string;
  doubt: number | null;
  origin: Origin;
  working: Working;
}
