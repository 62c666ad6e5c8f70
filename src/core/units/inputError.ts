import type { Said } from "./said";

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
  what: string,
  unit: string,
): void {
  if (!Number.isFinite(value)) throw new InputError(field, `Enter ${what} as a number in ${unit}.`);
  if (value < min || value > max)
    throw new InputError(field, `${what} must be between ${min} and ${max} ${unit}; ${value} is outside.`);
}
