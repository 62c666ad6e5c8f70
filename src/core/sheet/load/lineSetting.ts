import type { RangeRow } from "../../selection/rank/rangeSheet";
import type { ComputedSetUp, NextStep } from "../../selection/setUp/row";
import type { LoadSpan } from "../../selection/setUp/workingLoad";
import type { Said } from "../../units/said";
import type { ScoreLine } from "../line/scoreInput";

/** Where a line's load comes from; later ones are surer. */
export type LoadBasis = "felt" | "default_strength" | "strength_test" | "sets";

/** A real setting and all others of its machine. */
export interface LineSetting {
  load: number;
  how: string;
  /** lightest first; empty where the body alone is the load */
  loads: readonly { load: number; how: string }[];
  /** a counterweight: more of it is easier */
  isHelp: boolean;
}

/** What a line is set to and what that really asks. */
export interface LineLoad {
  /** null where the knee has no model of it */
  setUp: ComputedSetUp | null;
  /** null where nothing is known to be set: found by feel */
  setting: LineSetting | null;
  basis: LoadBasis;
  /** one-repetition maximum that the load is counted from, kg, with its error as a share */
  oneRepMax: { kg: number; error: number; takenOn: string } | null;
  /** of the one-repetition maximum, for holds of what can be held at the angle; null where nothing says */
  share: number | null;
  /** the same as the scheme wants it */
  wantedShare: number | null;
  shareError: number;
  /** the lightest real step is above what is wanted, or above a limit: why */
  tooHeavyBecause: Said | null;
  /** which kind of limit is broken; null: none, or only the scheme's own wish */
  brokenCap: ComputedSetUp["brokenCap"];
  /** the next harder real load, as a share of the scheme's own maximum; null where there is none */
  next: NextStep | null;
  /** what everything that bounds the load leaves of it; null where the body alone is the load or nothing is left */
  open: LoadSpan | null;
}

/** The hardest real load that is at most what is wanted: nothing is ever rounded up. Null where even the lightest is above it. */
export const stepFor = <T extends { load: number }>(loads: readonly T[], wanted: number): T | null =>
  loads.findLast((l) => l.load <= wanted + 1e-9) ?? null;

/** What a line's load is found in: the row of its exercise. */
export type Row = Pick<RangeRow, "status" | "changes" | "arc" | "computed">;

/** A row and what is set on it, or why there is none. */
export type Found = { row: Row; load: LineLoad } | Said[];

/** What is known of who does it, and what was chosen by hand. */
export interface Person {
  k: number;
  /** both legs lift at once */
  twoLegs: boolean;
  chosen?: Chosen;
}

/** What a person or a decision set: a load, one of the clinic's machines, its settings. */
export type Chosen = Pick<ScoreLine, "loadKg" | "machineId" | "settings">;

/** Doubt of a share that was found by feel, as a share of it [own]. */
export const FELT_ERROR = 0.15;
