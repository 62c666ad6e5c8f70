import type { ReviewFacts } from "./facts";

/** A list of alike things as columns; a column of few texts as an index into them. */
interface Columns {
  length: number;
  keys: string[];
  columns: (unknown[] | { texts: (string | null)[]; at: number[] })[];
}

const isThing = (x: unknown): x is Record<string, unknown> =>
  typeof x === "object" && x !== null && !Array.isArray(x);
const isText = (x: unknown): x is string | null => x === null || typeof x === "string";

function columnsOf(things: readonly Record<string, unknown>[]): { "#": Columns } | null {
  const keys = Object.keys(things[0] ?? {});
  const isAlike = things.every(
    (x) => Object.keys(x).length === keys.length && keys.every((k) => x[k] !== undefined),
  );
  if (!isAlike || keys.length === 0) return null;
  const columns = keys.map((k) => {
    const values = things.map((x) => x[k]);
    if (!values.every(isText)) return values.map(encoded);
    const texts = [...new Set(values)];
    const index = new Map(texts.map((t, i) => [t, i]));
    return { texts, at: values.map((v) => index.get(v) as number) };
  });
  return { "#": { length: things.length, keys, columns } };
}

function encoded(value: unknown): unknown {
  if (Array.isArray(value))
    return (value.length > 1 && value.every(isThing) && columnsOf(value)) || value.map(encoded);
  if (!isThing(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, encoded(v)]));
}

function decoded(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(decoded);
  if (!isThing(value)) return value;
  if (!("#" in value)) return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, decoded(v)]));
  const { length, keys, columns } = value["#"] as Columns;
  const values = columns.map((c) => (Array.isArray(c) ? c.map(decoded) : c.at.map((i) => c.texts[i])));
  return Array.from({ length }, (_, i) => Object.fromEntries(keys.map((k, c) => [k, values[c]?.[i]])));
}

/** What an episode led to as a short text: ten years of visits are a sixth of what they are as JSON. */
export const packed = (facts: ReviewFacts): string => JSON.stringify(encoded(facts));

/** The facts back out of it, equal to what was packed. */
export const unpacked = (text: string): ReviewFacts => decoded(JSON.parse(text)) as ReviewFacts;
