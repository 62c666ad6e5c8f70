import { dayInWords } from "@/core/units/dayInWords";
import type { Language } from "@/core/units/language";
import { asKg, type MassUnit, poundsBeside, trimZeros } from "@/core/units/mass";
import type { Said } from "@/core/units/said";
import type { Message } from "./message";

/** Who reads. */
export interface Reader {
  language: Language;
  massUnit: MassUnit;
}

/** What entries of words are made with: nothing else writes a number for people. */
export interface Format {
  /** another message inside a sentence */
  say(said: Message | Said): string;
  /** never more digits than asked for; whole ones without a point */
  number(value: number, digits?: number): string;
  /** with its pounds for who reads pounds */
  kg(kg: number, digits?: number): string;
  /** "1 week", "3 weeks" */
  count(n: number, one: string, other: string): string;
  /** a calendar day as no reader takes it for another: "2 Mar 2026" */
  day(iso: string): string;
  /** "a, b, c" */
  list(items: readonly string[]): string;
}

export function formatFor(reader: Reader, say: Format["say"]): Format {
  const number = (value: number, digits = 0) => {
    const text = trimZeros(value.toFixed(digits));
    return reader.language === "de" ? text.replace(".", ",") : text;
  };
  const plural = new Intl.PluralRules(reader.language);
  return {
    say,
    number,
    kg: (kg, digits = 2) => `${asKg(number(kg, digits))}${poundsBeside(kg, reader.massUnit)}`,
    count: (n, one, other) => `${number(n, 1)} ${plural.select(n) === "one" ? one : other}`,
    day: (iso) =>
      reader.language === "en"
        ? dayInWords(iso)
        : new Intl.DateTimeFormat(reader.language, { dateStyle: "long", timeZone: "UTC" }).format(
            new Date(`${iso}T00:00:00Z`),
          ),
    list: (items) => items.join(", "),
  };
}
