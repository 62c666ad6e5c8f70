import type { DayKind } from "./weekRules";

/** What a sheet is to the week, from its lines: an accumulated set counts before hard repetitions, those before holds. */
export function kindOfSheet(lines: readonly { kind: string; hardReps: number }[]): DayKind {
  if (lines.some((l) => l.kind === "accumulated")) return "accumulated";
  if (lines.some((l) => l.hardReps > 0)) return "strength";
  return lines.every((l) => l.kind === "stretch") && lines.length > 0 ? "stretch" : "iso";
}

/** Days a week as practitioners give them: stretches daily, holds every other day, strength three times, then one or two. */
export const USUAL_TIMES: Record<DayKind, { times: number; keepTimes: number }> = {
  strength: { times: 3, keepTimes: 1 },
  accumulated: { times: 1, keepTimes: 1 },
  iso: { times: 4, keepTimes: 2 },
  stretch: { times: 7, keepTimes: 3 },
};
