import type { PracticeChange } from "@/core/drafts/schools/practiceDiff";
import { lowerFirst } from "@/core/units/lowerFirst";
import { upperFirst } from "@/core/units/upperFirst";
import { FAULT_WORDS } from "../visit/faults";
import { WORN_SHORT } from "./setUp";

/** What another school would change for a client beside limits and drafts; `name` says an exercise. */
export function practiceWords(c: PracticeChange, name: (id: string) => string): string {
  switch (c.what) {
    case "spares":
      return `The last visit left a soreness of ${c.level} of 10: the next one has ${c.isSpared ? "a set less for what is sore" : "all its sets"}.`;
    case "worn":
      return `${upperFirst(WORN_SHORT[c.worn])}, as Story has it: ${c.isWorn ? "worn at work" : "not worn, unless a set-up card says so"}.`;
    case "looks_for":
      return `Looked for first in ${c.exerciseIds.map((id) => lowerFirst(name(id))).join(", ")}: ${FAULT_WORDS[c.fault]}.`;
  }
}
