import { type InForce, inForce } from "../bounds/inForce";
import type { BoundKind } from "../bounds/kinds";
import type { Limit } from "../bounds/limit";

export type Part = Partial<Pick<Limit, "low" | "high" | "word" | "names" | "origin" | "reason">>;

/** Limits as tests name them: only what matters of each kind. */
export const limitsBy = (parts: Partial<Record<BoundKind, Part>>): Limit[] =>
  Object.entries(parts).map(([kind, part]) => ({
    id: kind,
    kind: kind as BoundKind,
    low: null,
    high: null,
    word: null,
    names: [],
    origin: "therapist",
    reason: "a note",
    endsOn: null,
    ...part,
  }));

/** What such limits leave. */
export const bounded = (parts: Partial<Record<BoundKind, Part>>): InForce => inForce(limitsBy(parts), "");
