"use client";
import { createContext, type ReactNode, useContext, useMemo } from "react";
import type { MassUnit } from "@/core/units/mass";
import type { Said as Sayable } from "@/core/units/said";
import type { Reader } from "@/words/format";
import { type Label, labelsOf, type Say, sayTo } from "@/words/say";

const Who = createContext<Reader>({ language: "en", massUnit: "kg" });

/** In what the reader thinks of masses, for parts that are not handed it. */
export const useMassUnit = (): MassUnit => useContext(Who).massUnit;

/** What says messages in the reader's language and units. */
export function useSay(): Say {
  const { language, massUnit } = useContext(Who);
  return useMemo(() => sayTo({ language, massUnit }), [language, massUnit]);
}

export function ReaderProvider({ language, massUnit, children }: Reader & { children: ReactNode }) {
  const reader = useMemo(() => ({ language, massUnit }), [language, massUnit]);
  return <Who value={reader}>{children}</Who>;
}

/** What says the labels of one table. */
export function useLabels<R extends Parameters<typeof labelsOf>[1]>(room: R): Label<R> {
  const say = useSay();
  return useMemo(() => labelsOf(say, room), [say, room]);
}

/** Several messages in one line. */
export function SaidAll({ of, between = "; " }: { of: readonly Sayable[]; between?: string }) {
  const say = useSay();
  return of.map(say).join(between);
}

/** A message as it is said to the reader. */
export function Said({ children }: { children: Sayable | null | undefined }) {
  const say = useSay();
  return children ? say(children) : null;
}
