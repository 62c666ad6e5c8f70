import type { KeptLine } from "../line/keptLine";
import { fewer } from "./shortForm";

/** The lines of the week before a goal's date: half the working sets of each, one at least, loads as they are. Rule "Goal date". */
export const thinForm = (lines: readonly KeptLine[]): KeptLine[] =>
  lines.map((line) => {
    const working = line.sets.filter((s) => s.role === "work").length;
    let thin = line;
    for (let i = 0; i < Math.floor(working / 2); i++) thin = fewer(thin);
    // nothing more is offered in that week
    return { ...thin, offers: null };
  });
