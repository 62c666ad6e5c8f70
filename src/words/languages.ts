import type { Language } from "@/core/units/language";

/** Each language in itself: its name, and its word for "language". */
export const LANGUAGE_NAMES: Record<Language, { name: string; label: string }> = {
  en: { name: "English", label: "Language" },
  de: { name: "Deutsch", label: "Sprache" },
};
