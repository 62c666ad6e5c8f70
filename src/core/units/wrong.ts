import type { Coded } from "./said";

export type WrongCode = `input.${string}`;

/**
 * What a schema says of what does not fit: a code with its numbers, as the text that a schema carries. A code without
 * numbers stands as it is; the schema's own bounds come with the issue. Words: `words/en/input`.
 */
export const wrong = (code: WrongCode, numbers: object): string => JSON.stringify({ code, ...numbers });

/** What a schema found, as far as it is said to people. */
interface Issue {
  message: string;
  maximum?: number | bigint;
  minimum?: number | bigint;
}

/** What is wrong with a part, to be said; what a schema says by itself is not for people. */
export function issueSaid({ message, maximum, minimum }: Issue): Coded {
  if (message.startsWith("{")) return JSON.parse(message) as Coded;
  return /^input\.\w+$/.test(message)
    ? ({ code: message, most: Number(maximum), least: Number(minimum) } as Coded)
    : { code: "input.misfit" };
}

/** The first thing that is wrong with what was entered into one field. */
export const firstIssue = (error: { issues: readonly Issue[] }): Coded =>
  issueSaid(error.issues[0] ?? { message: "" });
