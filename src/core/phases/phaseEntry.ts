import type { Condition, Phase } from "../rules/conditions";
import { type ClientFindings, type Criterion, exitCriteriaOf, isFunctional } from "./phaseCriteria";

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

/** What a client's phase is proposed to be on entry, and what is missing for a later one. */
export interface EntryProposal {
  phase: Phase;
  /** of the phases before it: what only a therapist can tell */
  toConfirm: Criterion[];
  /** of the phases before it: what nobody measured, so that weeks alone speak for it */
  unmeasured: Criterion[];
  /** what keeps the next one shut; empty in the last phase */
  missing: Criterion[];
}

/**
 * The phase that a client who arrives half way is proposed: the furthest whose weeks have come and before which every
 * measured criterion is met; and where nothing that was measured speaks against it, at the least the last but one of those
 * whose weeks have come. A therapist opens it with a reason; nothing opens by itself. Corrections K12, K20.
 */
export function proposedEntry(condition: Condition, found: ClientFindings): EntryProposal {
  const phases = condition.phases;
  const come = weeksHaveCome(phases, found.weeks);
  let at = 0;
  const toConfirm: Criterion[] = [];
  const unmeasured: Criterion[] = [];
  while (at + 1 < phases.length) {
    const criteria = entryCriteria(phases[at] as Phase, found);
    const next = phases[at + 1] as Phase;
    const open = criteria.filter((c) => c.state !== "met");
    const measured = open.filter((c) => !isFunctional(c));
    const isAgainst = measured.some((c) => c.state !== "not_measured");
    const isOnlyUnmeasured = measured.length > 0 && !isAgainst && at + 1 < come;
    if (isAgainst || found.weeks < next.weeks.from || (measured.length > 0 && !isOnlyUnmeasured)) break;
    toConfirm.push(...open.filter(isFunctional));
    unmeasured.push(...measured);
    at++;
  }
  const phase = phases[at] as Phase;
  const missing = at + 1 < phases.length ? entryCriteria(phase, found).filter((c) => c.state !== "met") : [];
  return { phase, toConfirm, unmeasured, missing };
}

/** The furthest phase whose weeks have come, where weeks part the phases at all; 0 elsewhere. */
function weeksHaveCome(phases: readonly Phase[], weeks: number): number {
  let at = 0;
  while (at + 1 < phases.length) {
    const [now, next] = [phases[at] as Phase, phases[at + 1] as Phase];
    if (next.weeks.from <= now.weeks.from || next.weeks.from > weeks) break;
    at++;
  }
  return at;
}

/** Exit criteria of a phase that nobody was in here: its own time in it does not count. */
const entryCriteria = (phase: Phase, found: ClientFindings): Criterion[] =>
  exitCriteriaOf(phase, { ...found, weeksInPhase: Number.MAX_SAFE_INTEGER }).criteria.filter(
    (c) => c.asks.code !== "phases.weeks_in_phase",
  );

/** Why a phase cannot be gone to. */
export type PhaseStepBarred =
  | { code: "phases.no_such_phase" | "phases.confirmed_already" | "phases.none_skipped" }
  | { code: "phases.confirm_first"; phase: string };

/**
 * Whether going to a phase needs a written reason: back never does, one step on does unless every criterion is met, and
 * no step skips a phase. Only on entry, while nobody confirmed one, every phase up to the proposed one is confirmed in one
 * step: the first as it is, a later one with a reason. Says why where the step is not possible at all.
 */
export function phaseStep(
  condition: Condition,
  from: { phaseId: string; isConfirmed: boolean },
  toId: string,
  found: ClientFindings,
): { possible: true; needsReason: boolean } | { possible: false; why: PhaseStepBarred } {
  const at = condition.phases.findIndex((p) => p.id === from.phaseId);
  const to = condition.phases.findIndex((p) => p.id === toId);
  if (to < 0) return { possible: false, why: { code: "phases.no_such_phase" } };
  if (!from.isConfirmed) {
    const proposed = proposedEntry(condition, found).phase;
    return to <= Math.max(at, condition.phases.indexOf(proposed))
      ? { possible: true, needsReason: to > at }
      : {
          possible: false,
          why: { code: "phases.confirm_first", phase: proposed.name },
        };
  }
  if (to === at) return { possible: false, why: { code: "phases.confirmed_already" } };
  if (to > at + 1) return { possible: false, why: { code: "phases.none_skipped" } };
  return {
    possible: true,
    needsReason: to < at ? false : !phaseEntry(condition, from.phaseId, found).mayEnter,
  };
}
