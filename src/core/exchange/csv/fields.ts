import { type Side, uuid } from "../../units/fields";
import { kgFromLb, lbFromKg } from "../../units/mass";
import { readNumber } from "../../units/readNumber";
import { type Said, saidWith } from "../../units/said";

/** A column that a kind of table knows. */
export interface CsvField {
  key: string;
  isNeeded: boolean;
  /** other headers that mean the same, small letters */
  also: readonly string[];
}

/** The number of the column of each field; null: not in the file. */
export type CsvMapping = Record<string, number | null>;

const plain = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, " ")
    .trim();

/** What stands in which column, guessed by the headers; a person looks at it before anything is written. */
export function guessMapping(fields: readonly CsvField[], headers: readonly string[]): CsvMapping {
  const taken = new Set<number>();
  return Object.fromEntries(
    fields.map((f) => {
      const names = [f.key, ...f.also].map(plain);
      const at = headers.findIndex((h, i) => !taken.has(i) && names.includes(plain(h)));
      if (at >= 0) taken.add(at);
      return [f.key, at >= 0 ? at : null];
    }),
  );
}

/** Something that stands here already is told by its content; so many times as it stands it is not written again. */
export class Here {
  private readonly seen = new Map<string, number>();
  constructor(private readonly standing: ReadonlyMap<string, number>) {}

  /** Which of equal lines this is, from 1; null: it stands here already. */
  next(key: string): number | null {
    const n = (this.seen.get(key) ?? 0) + 1;
    this.seen.set(key, n);
    return n <= (this.standing.get(key) ?? 0) ? null : n;
  }
}

/** A line's cells by field; reading notes what is wrong and gives null. */
export class Line {
  readonly problems: Said[] = [];

  constructor(
    private readonly cells: readonly string[],
    private readonly mapping: CsvMapping,
    fields: readonly CsvField[],
  ) {
    for (const f of fields)
      if (
        f.isNeeded &&
        this.text(f.key) === "" &&
        !(f.key === "birth_year" && uuid.safeParse(this.text("name")).success)
      )
        this.problems.push(saidWith("exchange.column_missing", { column: f.key }));
  }

  /** A line that was taken back or corrected in the clinic that it comes from. */
  get isTakenBack(): boolean {
    return this.text("stands").toLowerCase() === "no";
  }

  text(key: string): string {
    const at = this.mapping[key];
    return at === null || at === undefined ? "" : (this.cells[at] ?? "").trim().slice(0, 500);
  }

  /** A number within bounds; null where the cell is empty or wrong. */
  number(key: string, least: number, most: number, unit: string): number | null {
    const text = this.text(key);
    if (text === "") return null;
    const x = readNumber(text);
    if (Number.isFinite(x) && x >= least && x <= most) return x;
    this.problems.push(
      saidWith("exchange.column_number", { column: key, least, most, unit, found: text.slice(0, 40) }),
    );
    return null;
  }

  /** An ISO day, alone or of a moment, or a day written as 28.11.2026; anything two-sided is not guessed. */
  day(key: string, today: string): string | null {
    const text = this.text(key);
    if (text === "") return null;
    const iso = /^(\d{4})-(\d{2})-(\d{2})(?=$|[T ]\d{2}:\d{2})/.exec(text);
    const dots = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text);
    const day = iso
      ? iso[0]
      : dots
        ? `${dots[3]}-${dots[2]?.padStart(2, "0")}-${dots[1]?.padStart(2, "0")}`
        : "";
    const at = new Date(`${day}T00:00:00Z`);
    if (
      day !== "" &&
      !Number.isNaN(at.getTime()) &&
      at.toISOString().slice(0, 10) === day &&
      day <= today &&
      day >= "1900-01-01"
    )
      return day;
    this.problems.push(saidWith("exchange.column_day", { column: key, found: text.slice(0, 40) }));
    return null;
  }

  one<T extends string>(key: string, words: Readonly<Record<string, T>>): T | null {
    const text = this.text(key).toLowerCase();
    if (text === "") return null;
    const found = words[text];
    if (found !== undefined) return found;
    this.problems.push(
      saidWith("exchange.column_one_of", {
        column: key,
        of: [...new Set(Object.keys(words))].slice(0, 12),
        found: text.slice(0, 40),
      }),
    );
    return null;
  }
}

export const SIDES: Readonly<Record<string, Side>> = { left: "left", l: "left", right: "right", r: "right" };
export const SEXES = { female: "female", f: "female", male: "male", m: "male" } as const;

/** Mass within the bounds of people, in kg; "lb" in the unit column is worked out. */
export const massKg = (value: number, unit: "kg" | "lb"): number => (unit === "kg" ? value : kgFromLb(value));
export const LEAST_LB = Math.ceil(lbFromKg(25));
export const MOST_LB = Math.floor(lbFromKg(250));
