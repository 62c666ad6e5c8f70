import type { Coded } from "@/core/units/said";
import type { Format } from "./format";

/** How one code is said: a sentence, or one made of the code's numbers. */
type Entry<M> = string | ((m: M, f: Format) => string);

/** The code without its room: "bend" of "phases.bend". */
type NameOf<C extends string> = C extends `${string}.${infer Name}` ? Name : never;
type Named<M extends Coded, N extends string> = M extends { code: infer C extends string }
  ? N extends NameOf<C>
    ? M
    : never
  : never;

/** The words of a room: an entry for each of its codes, and for nothing else. */
export type Words<M extends Coded> = { readonly [N in NameOf<M["code"]>]: Entry<Named<M, N>> };

/** The same labels in another language: each of them, made of the same numbers. */
export type Translated<T> = {
  readonly [N in keyof T]: T[N] extends (m: infer M, f: Format) => string
    ? (m: M, f: Format) => string
    : string;
};
