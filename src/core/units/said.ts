/** Something to be said, as a code with its numbers; `words` makes the sentence of it for whoever reads. */
export interface Coded {
  readonly code: string;
}

/** A code, or a sentence of a room that has no codes yet. */
export type Said = Coded | string;
