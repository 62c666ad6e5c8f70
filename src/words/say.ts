import type { Language } from "@/core/units/language";
import { withPounds } from "@/core/units/mass";
import { asKept, type Said } from "@/core/units/said";
import { de } from "./de";
import { coded, labels, rooms } from "./en";
import { type Format, formatFor, type Reader } from "./format";
import type { Message } from "./message";

type Table = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

const FIRST: Table = { ...labels, ...rooms, ...coded };
const LANGUAGES: Record<Language, Table> = { en: FIRST, de };

const entryOf = (table: Table, room: string, name: string): unknown => {
  const words = Object.hasOwn(table, room) ? table[room] : undefined;
  return words && Object.hasOwn(words, name) ? words[name] : undefined;
};

/** What says messages to one reader. */
export type Say = (said: Message | Said) => string;

/** Messages as sentences in the reader's language and units; what a second language lacks is said in the first. */
export function sayTo(reader: Reader): Say {
  const say: Say = (said) => {
    // sentences of rooms without codes write their masses so that pounds can be set beside them
    if (typeof said === "string") return withPounds(said, reader.massUnit);
    const [room = "", name = ""] = said.code.split(".");
    const entry = entryOf(LANGUAGES[reader.language], room, name) ?? entryOf(FIRST, room, name);
    if (typeof entry === "string") return entry;
    // what a person or a file wrote may look like a code, or like one with numbers: it stands as it was written
    if (entry === undefined) return asKept(said);
    try {
      return String((entry as (m: Said, f: Format) => string)(said, format));
    } catch {
      return asKept(said);
    }
  };
  const format = formatFor(reader, say);
  return say;
}

/** As the desk says it to who reads kilograms. */
export const sayPlainly: Say = sayTo({ language: "en", massUnit: "kg" });

type Labels = typeof labels;

/** What says the labels of one table: those that need numbers take them. */
export type Label<R extends keyof Labels> = <N extends keyof Labels[R] & string>(
  name: N,
  ...numbers: Labels[R][N] extends (m: infer M) => string ? [M] : []
) => string;

export const labelsOf =
  <R extends keyof Labels>(say: Say, room: R): Label<R> =>
  (name, ...[numbers]) =>
    say({ ...(numbers as object | undefined), code: `${room}.${name}` });
