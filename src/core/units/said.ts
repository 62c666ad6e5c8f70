/** Something to be said, as a code with its numbers; `words` makes the sentence of it for whoever reads. */
export interface Coded {
  readonly code: string;
}

/** A code, or a sentence of a person, of the rules or from an earlier time. */
export type Said = Coded | string;

/** A code with its numbers, where a room's codes are no type of their own. */
export const saidWith = (code: string, numbers: object): Coded => ({ code, ...numbers });

/** What makes sentences for whoever reads: handed to what writes texts into a file. */
export type SayIt = (said: Said) => string;

/** What is to be said as the text that it is kept as: a sentence, a code, or a code with its numbers. */
export const asKept = (said: Said): string =>
  typeof said === "string" ? said : Object.keys(said).length === 1 ? said.code : JSON.stringify(said);

const CODE = /^[a-z]\w*\.[a-z]\w*$/i;

/** Kept text to be said again; what was kept in words before it had a code stays as it was written. */
export function fromKept(text: string): Said {
  if (CODE.test(text)) return { code: text };
  if (!text.startsWith('{"code":"')) return text;
  try {
    const said = JSON.parse(text) as Coded;
    return typeof said.code === "string" ? said : text;
  } catch {
    return text;
  }
}
