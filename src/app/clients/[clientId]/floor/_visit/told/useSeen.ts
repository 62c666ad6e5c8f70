import { useState } from "react";
import type { FaultId } from "@/core/rules/faults/faults";
import { lastThirdFrom, type SeenFault } from "@/core/visit/watched/seen";

/** What was seen of the set under way, before it is rated. */
export interface Seen {
  faults: SeenFault[];
  /** undefined: not seen */
  fromRep: (id: FaultId) => number | null | undefined;
  toggle: (id: FaultId) => void;
  /** a repetition earlier or later */
  began: (id: FaultId, by: number) => void;
}

type Said = Partial<Record<FaultId, number | "unsaid">>;

/**
 * `of`: which set it is, null between sets: what was said of one is not said of the next. `reps`: how many were done, as far as
 * is known; null: none are counted. Until somebody says where it began, in the last third.
 */
export function useSeen(of: string | null, reps: number | null): Seen {
  const [kept, setKept] = useState<{ of: string | null; said: Said }>({ of, said: {} });
  const said = kept.of === of ? kept.said : {};
  const say = (next: Said) => setKept({ of, said: next });
  const fromOf = (from: number | "unsaid"): number | null =>
    reps === null
      ? null
      : Math.max(1, Math.min(Math.max(1, reps), from === "unsaid" ? lastThirdFrom(reps) : from));
  const faults = (Object.entries(said) as [FaultId, number | "unsaid"][]).map(([id, from]) => ({
    id,
    fromRep: fromOf(from),
  }));
  const fromRep = (id: FaultId) => faults.find((f) => f.id === id)?.fromRep;
  return {
    faults,
    fromRep,
    toggle: (id) => {
      const { [id]: was, ...rest } = said;
      say(was === undefined ? { ...said, [id]: "unsaid" } : rest);
    },
    began: (id, by) => {
      const from = fromRep(id);
      if (from != null) say({ ...said, [id]: Math.max(1, Math.min(reps ?? 1, from + by)) });
    },
  };
}
