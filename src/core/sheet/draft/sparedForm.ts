import type { Exercise } from "../../rules/exercises";
import type { Muscle } from "../../schedule/balance";
import type { KeptLine } from "../line/keptLine";
import { fewer, isFor } from "./shortForm";

/** The lines of a visit after muscles were very sore: a set less of what trains them, loads as they are and no more offered. Rule Sore 2. */
export const sparedForm = (
  lines: readonly KeptLine[],
  exerciseOf: (id: string) => Exercise | null,
  sore: readonly Muscle[],
): KeptLine[] =>
  lines.map((line) => {
    const e = exerciseOf(line.exerciseId);
    return e && isFor(e, sore) ? { ...fewer(line), offers: null } : line;
  });
