import { dayInWords } from "../units/dayInWords";
import { kgWords } from "../units/mass";
import type { Said } from "../units/said";
import type { Computed, Origin, Working, WorkingInput } from "../units/working/working";

/** How a series is drawn. */
export type Mark = "dot" | "ring" | "diamond" | "square" | "step" | "bar" | "outline";

export interface Point {
  /** ISO day; of a week its Monday */
  on: string;
  value: number;
  /** the ends of what it could be, or of what it ran through */
  low: number | null;
  high: number | null;
  /** what else is to be known of it, nothing where nothing is */
  note: readonly Said[];
  /** drawn apart: less was done than planned, or one session cannot tell */
  apart?: "less" | "open";
  /** what it was computed from, where it is more than what was entered */
  inputs?: WorkingInput[];
}

/** How the values of a row come about. */
export interface RowHow extends Pick<Working, "formula" | "source" | "confidence" | "cannotTell"> {
  origin: Origin;
}

export interface Series {
  /** which of a row's it is: never shown */
  key: string;
  name: Said;
  mark: Mark;
  points: Point[];
}

/** One question on the time line: what is drawn, what its table lists and what a file holds are all made of this. */
export interface Row {
  id: string;
  name: Said;
  /** how to read it */
  under: Said;
  unit: string;
  digits: number;
  /** which way is better; null where neither is */
  better: "up" | "down" | null;
  /** smallest change that is more than measurement error, in the unit; null: not known */
  realChange: number | null;
  /** the axis reaches at least so far */
  least: number | null;
  most: number | null;
  /** words of a scale by value, where it is one; null: numbers */
  scale: readonly string[] | null;
  series: Series[];
  how: RowHow;
  /** a line across, with its words */
  marks: { value: number; words: Said }[];
  /** a goal of the client asks for more of it than was measured: it leads */
  leads?: true;
}

export const point = (
  on: string,
  value: number,
  note: readonly Said[] = [],
  apart?: Point["apart"],
): Point => ({
  on,
  value,
  low: null,
  high: null,
  note,
  ...(apart ? { apart } : {}),
});

/** A row with what most rows have. */
export function rowOf(
  row: Pick<Row, "id" | "name" | "under" | "unit" | "series" | "how"> & Partial<Row>,
): Row {
  return {
    digits: 0,
    better: null,
    realChange: null,
    least: null,
    most: null,
    scale: null,
    marks: [],
    ...row,
  };
}

/** A point with the working behind it. What a bar runs through is no doubt of it. */
export function computedOf(row: Row, series: Series, p: Point): Computed {
  const { origin, ...how } = row.how;
  const isDoubt = series.mark !== "bar" && p.low !== null && p.high !== null;
  return {
    value: p.value,
    unit: row.unit,
    doubt: isDoubt ? ((p.high as number) - (p.low as number)) / 2 : null,
    origin,
    working: {
      ...how,
      formulaId: `review ${row.id}`,
      inputs: [
        { name: series.name, value: valueWords(row, p.value), origin, from: dayInWords(p.on) },
        ...(p.inputs ?? []),
        ...p.note.map((value) => ({ name: { code: "review.noted" }, value, origin: "entered" as const })),
      ],
    },
  };
}

/** A value as people read it. */
export const valueWords = (row: Pick<Row, "scale" | "digits" | "unit">, value: number): string =>
  row.scale?.[value] ??
  (row.unit === "kg" ? kgWords(value, row.digits) : null) ??
  `${value.toFixed(row.digits)}${row.unit === "°" ? "°" : row.unit ? ` ${row.unit}` : ""}`;
