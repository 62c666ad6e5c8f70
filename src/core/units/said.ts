/** Something to be said, as a code with its numbers; `words` makes the sentence of it for whoever reads. */
export interface Coded {
  readonly code: string;
}

/** A code, or a sentence of a room that has no codes yet. */
export type Said = Coded | string;

/** A code with its numbers, where a room's codes are no type of their own. */
export const saidWith = (code: string, numbers: object): Coded => ({ code, ...numbers });

/** What makes sentences for whoever reads: handed to what writes texts into a file. */
export type SayIt = (said: Said) => string;
