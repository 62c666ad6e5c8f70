import type { Condition, Phase } from "../rules/conditions";

/**
 * Of several conditions the one that a first draft begins with: what is least far on leads, and being out of training
 * never before a joint or a back [own]. The others bound the draft through the limits. Null where there is none.
 */
export function leading<C extends { condition: Condition; phase: Phase }>(all: readonly C[]): C | null {
  const progress = ({ condition, phase }: C) =>
    condition.phases.findIndex((p) => p.id === phase.id) / condition.phases.length;
  const isGeneral = (c: C) => Number(c.condition.main_region === "whole_body");
  return [...all].sort((a, b) => isGeneral(a) - isGeneral(b) || progress(a) - progress(b))[0] ?? null;
}
