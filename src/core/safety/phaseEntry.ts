import type { Condition, Phase } from "../rules/conditions";
import { type ClientFindings, type Criterion, exitCriteriaOf } from "./phaseCriteria";

export interface PhaseEntry {
  next: Phase | null;
  criteria: Criterion[];
  /** every criterion is met: a therapist may confirm the next phase without a written reason */
  mayEnter: boolean;
}

/** What stands between a client and the next phase. Weeks alone never open one. */
export function phaseEntry(condition: Condition, phaseId: string, found: ClientFindings): PhaseEntry {
  const at = condition.phases.findIndex((p) => p.id === phaseId);
  const phase = condition.phases[at];
  const next = condition.phases[at + 1] ?? null;
  if (!phase || !next) return { next: null, criteria: [], mayEnter: false };
  const { criteria, mayLeave } = exitCriteriaOf(phase, found);
  return { next, criteria, mayEnter: mayLeave };
}

/**
 * Whether going to a phase needs a written reason: back never does, one step on does unless every criterion is met, and
 * no step skips a phase. Returns a sentence where the step is not possible at all.
 */
export function phaseStep(
  condition: Condition,
  fromId: string,
  toId: string,
  found: ClientFindings,
): { possible: true; needsReason: boolean } | { possible: false; sentence: string } {
  const from = condition.phases.findIndex((p) => p.id === fromId);
  const to = condition.phases.findIndex((p) => p.id === toId);
  if (to < 0) return { possible: false, sentence: "This condition has no such phase. Reload the page." };
  if (to === from) return { possible: false, sentence: "This phase is confirmed already." };
  if (to > from + 1) return { possible: false, sentence: "No phase is skipped: confirm the next one first." };
  return { possible: true, needsReason: to < from ? false : !phaseEntry(condition, fromId, found).mayEnter };
}
