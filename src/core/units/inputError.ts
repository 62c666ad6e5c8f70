/** What a person did wrong in one field, in a sentence that says what to do. Routes turn it into status 422. */
export interface FieldProblem {
  field: string;
  sentence: string;
}

/** Bad input that a person can mend. Core functions throw it instead of returning NaN. */
export class InputError extends Error {
  readonly problems: readonly FieldProblem[];

  constructor(field: string, sentence: string, problems: readonly FieldProblem[] = [{ field, sentence }]) {
    super(sentence);
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
