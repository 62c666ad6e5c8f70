import type { Language } from "../units/language";
import { type Exercise, exerciseById } from "./exercises";
import { ownLines } from "./ownLines";
import german from "./text/de/exercises.json";

/** What a client reads of an exercise. */
export interface ExerciseText {
  name: string;
  equipment: string;
  cues: readonly string[];
}

const TEXTS: Readonly<Record<Exclude<Language, "en">, Readonly<Record<string, ExerciseText>>>> = {
  de: german,
};

/** An exercise in a client's language; one that the clinic worded itself stays in the clinic's words. */
export function exerciseText(
  e: Exercise,
  language: Language,
  conditionIds: ReadonlySet<string>,
): ExerciseText {
  const own = { name: e.name, equipment: e.equipment, cues: ownLines(e.cues, conditionIds) };
  if (language === "en") return own;
  const text = TEXTS[language][e.id];
  const catalogue = exerciseById(e.id);
  if (!text || !catalogue) return own;
  const isAsWas = (key: "name" | "equipment") => e[key] === catalogue[key];
  return {
    name: isAsWas("name") ? text.name : own.name,
    equipment: isAsWas("equipment") ? text.equipment : own.equipment,
    cues:
      e.cues.join("\n") === catalogue.cues.join("\n")
        ? text.cues.filter((_, i) => ownLines([e.cues[i] ?? ""], conditionIds).length > 0)
        : own.cues,
  };
}
