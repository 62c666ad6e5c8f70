import type { Exercise } from "../../rules/exercises";
import type { ScoreContext } from "../../sheet/judge/judgeScore";
import type { Said } from "../../units/said";
import { schemeInPlaceOf } from "../addedSchemes";
import { type DraftLine, has } from "../draftLine";
import { type Change, leftOut } from "../edit";
import type { Made } from "../fitTime";
import { standInsOf, standsIn } from "./machineRules";
import { soundLine } from "./soundLine";

/** Every line as it may be saved; what is barred gives way to its stand-ins, else is left out and said. */
export function soundLines(planned: readonly DraftLine[], c: Change, context: ScoreContext): Made[] {
  const made: Made[] = [];
  const isTaken = (id: string) => made.some((m) => m.line.exerciseId === id);
  for (const draft of planned) {
    const e = c.exercise(draft.exerciseId);
    if (!e || isTaken(e.id)) continue;
    const forms = formsOf(draft, e, c).filter(
      (f) => !isTaken(f.exerciseId) && (f === draft || !has(planned, f.exerciseId)),
    );
    const found = firstSound(forms, c, context);
    if ("barredBecause" in found) c.note(leftOut(c, e.id, found.barredBecause));
    else made.push(found);
  }
  return made;
}

/** The first form that may be saved, or why the first of them may not. */
function firstSound(
  forms: readonly DraftLine[],
  c: Change,
  context: ScoreContext,
): Made | { barredBecause: Said } {
  let because: Said | null = null;
  for (const draft of forms) {
    const e = c.exercise(draft.exerciseId);
    if (!e) continue;
    const line = c.fits(e.id)
      ? soundLine(draft, e, context)
      : { barredBecause: c.barredBecause(e.id) ?? { code: "drafts.fits_not" } };
    if (!("barredBecause" in line)) return { draft, line };
    because ??= line.barredBecause;
  }
  return { barredBecause: because ?? { code: "drafts.fits_not" } };
}

/** The line itself, then what may stand in for it: by the table, else the catalogue's easier form. */
function formsOf(draft: DraftLine, e: Exercise, c: Change): DraftLine[] {
  const others = [
    ...standInsOf(e.id),
    ...(e.easier_id ? [[e.easier_id, "drafts.easier_form"] as const] : []),
  ];
  return [
    draft,
    ...others.flatMap(([to, why]) => {
      const other = c.exercise(to);
      return other
        ? [{ ...draft, exerciseId: to, ...schemeInPlaceOf(draft, other), why: standsIn(draft.why, why) }]
        : [];
    }),
  ];
}
