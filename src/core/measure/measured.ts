import type { FreeTest } from "./measurementInput";
import type { MeasuredArc } from "./painfulArcs";

/** A measurement with what stands beside its value. */
export interface MeasuredBeside extends MeasuredArc {
  armsUsed: boolean | null;
  stepM: number | null;
  steps: number | null;
  machineId: string | null;
  test: FreeTest | null;
}

/** Values of one kind can be compared only where they were taken alike: the same step, stairs, machine or test. */
export const isAlike = (a: MeasuredBeside, b: MeasuredBeside): boolean =>
  a.kind === b.kind &&
  a.stepM === b.stepM &&
  a.steps === b.steps &&
  a.machineId === b.machineId &&
  a.moved === b.moved &&
  a.test?.name === b.test?.name &&
  a.test?.unit === b.test?.unit;
