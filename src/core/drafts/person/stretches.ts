import type { Scheme } from "../../sheet/schemes/scheme";
import type { DraftLine } from "../draftLine";
import { type Change, leftOut } from "../edit";

/** Long enough for reach, and after the work, as long holds before it take force [M]. */
const AFTER: Scheme = { kind: "stretch", totalS: 120, toleratedS: 30 };
/** Before it: under a minute a muscle [M]. */
const BEFORE: Scheme = { kind: "stretch", totalS: 45, toleratedS: 15 };

/**
 * What measured short gets its stretch: one a visit, after the work, or before it where the school has it so; it is the first thing
 * that goes where time is short. Rules "Measured 4", K22.
 */
export function withStretch(lines: DraftLine[], c: Change): DraftLine[] {
  const { shortReach, schools } = c.facts;
  const wanted = shortReach.find((id) => c.fits(id));
  if (wanted === undefined) {
    const [first] = shortReach;
    const why = first === undefined ? null : c.barredBecause(first);
    if (first !== undefined && why) c.note(leftOut(c, first, why));
    return lines;
  }
  if (lines.some((l) => l.exerciseId === wanted)) return lines;
  const isBefore = schools.d_stretch_post === "view_1";
  const line: DraftLine = {
    ...{ exerciseId: wanted, role: "support", scheme: isBefore ? BEFORE : AFTER, legs: "one" },
    ...{ window: null, why: "drafts.short_reach", isAsked: false, isExtra: true },
  };
  return isBefore ? [line, ...lines] : [...lines, line];
}
