"use client";
import { createContext, type ReactNode, useContext } from "react";

const Locale = createContext("en-GB");

/** How the reader writes days and numbers, for parts that are not handed it. */
export const useLocale = (): string => useContext(Locale);

export function LocaleProvider({ locale, children }: { locale: string; children: ReactNode }) {
  return <Locale value={locale}>{children}</Locale>;
}
