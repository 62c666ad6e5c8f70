import type { FieldName, FieldUnit } from "./fields";
import { type Said, saidWith } from "./said";

/** What a person did wrong in one field, and what to do, as a page is told it. */
export interface FieldProblem {
  field: string;
  sentence: string;
}

/** The same before it is said to anybody. Routes turn it into status 422. */
interface FieldFault {
  field: string;
  sentence: Said;
}

/** Bad input that a person can mend. Core functions throw it instead of returning NaN. */
export class InputError extends Error {
  readonly problems: readonly FieldFault[];

  constructor(field: string, sentence: Said, problems: readonly FieldFault[] = [{ field, sentence }]) {
    super(typeof sentence === "string" ? sentence : sentence.code);
    this.name = "InputError";
    this.problems = problems;
  }
}

/** Throws an InputError unless `value` is a finite number within [min, max]. */
export function requireWithin(
  field: string,
  value: number,
  min: number,
  max: number,
  of: FieldName,
  unit: FieldUnit,
): void {
  if (!Number.isFinite(value)) throw new InputError(field, saidWith("input.number", { field: of, unit }));
  if (value < min || value > max)
    throw new InputError(field, saidWith("input.range", { field: of, unit, least: min, most: max }));
}
