import { type Aid, aidKey, aidOfKey, type Help, lessHelp, underAid } from "../../selection/setUp/aid";
import type { ScoreLine } from "../line/scoreInput";
import type { ScoreContext } from "./judgeScore";

/** What is worn and held in a line: as it was planned, else as the last time. Rules Aid 1, P3. */
function aidPlanned(
  { sheet }: ScoreContext,
  { exerciseId, help }: Pick<ScoreLine, "exerciseId" | "help">,
): Aid {
  const last = aidOfKey(sheet.aids?.[exerciseId] ?? "");
  return { ...last, help: help ?? last.help };
}

/** By what an exercise is judged where something is worn or held in it. Rule Aid 1. */
export function helped(context: ScoreContext, line: Pick<ScoreLine, "exerciseId" | "help">): ScoreContext {
  const { strength } = context.sheet;
  const key = aidKey(aidPlanned(context, line));
  return key === ""
    ? context
    : { ...context, sheet: { ...context.sheet, strength: underAid(strength, key) } };
}

/** One step less of what is held on to; null: nothing is. Rule P3. */
export function helpStep(
  context: ScoreContext,
  line: Pick<ScoreLine, "exerciseId" | "help">,
): { from: Help; to: Help } | null {
  const { help: from } = aidPlanned(context, line);
  const to = lessHelp(from);
  return to === null ? null : { from, to };
}
