import { asKept, type Coded, fromKept, saidWith } from "./said";

/**
 * What a schema says of what does not fit: a code with its numbers, as the text that a schema carries. A code without
 * numbers stands as it is; the schema's own bounds come with the issue. Words: `words/en/input`.
 */
export const wrong = (code: `input.${string}`, numbers: object): string => asKept(saidWith(code, numbers));

/** What a schema found, as far as it is said to people. */
interface Issue {
  message: string;
  maximum?: number | bigint;
  minimum?: number | bigint;
}

/** What is wrong with a part, to be said; what a schema says by itself is not for people. */
export function issueSaid({ message, maximum, minimum }: Issue): Coded {
  const said = fromKept(message);
  if (typeof said === "string") return { code: "input.misfit" };
  return {
    ...(maximum === undefined ? {} : { most: Number(maximum) }),
    ...(minimum === undefined ? {} : { least: Number(minimum) }),
    ...said,
  };
}

/** The first thing that is wrong with what was entered into one field. */
export const firstIssue = (error: { issues: readonly Issue[] }): Coded =>
  issueSaid(error.issues[0] ?? { message: "" });
