import type { FieldProblem } from "@/core/units/inputError";

/** Sentences by field, the ones without a field under "form". */
export const problemsByField = (problems: readonly FieldProblem[]): Record<string, string> =>
  Object.fromEntries(problems.map((p) => [p.field || "form", p.sentence]));
