import { changedLimits } from "../bounds/changes";
import type { Condition } from "../rules/conditions";
import { limitsOfRecord } from "../rules/limitsOfRecord";
import { type PhaseChoice, phaseLimits } from "./phaseLimits";

export interface PhaseOpening {
  id: string;
  name: string;
  fromWeek: number;
  /** what changes against the phase before it, in words */
  changes: string[];
}

/** What each later phase opens (or closes) against the one before it: what to expect when, never a permission. */
export function phaseOpens(condition: Condition, fromPhaseId: string, choice: PhaseChoice): PhaseOpening[] {
  const at = condition.phases.findIndex((p) => p.id === fromPhaseId);
  return condition.phases.slice(at + 1).map((phase, i) => {
    const before = condition.phases[at + i] ?? phase;
    const of = (p: typeof phase) =>
      limitsOfRecord(phaseLimits(condition, p, { ...choice, week: p.weeks.from }), p.name, p.id);
    return {
      id: phase.id,
      name: phase.name,
      fromWeek: phase.weeks.from,
      changes: changedLimits(of(before), of(phase), ""),
    };
  });
}
