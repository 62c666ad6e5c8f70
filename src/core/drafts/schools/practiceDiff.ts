import type { Exercise } from "../../rules/exercises";
import { type FaultId, faultsOf } from "../../rules/faults/faults";
import { type Soreness, spareNext } from "../../schedule/soreness";
import { type Worn, type WornFacts, wornAt } from "../../selection/setUp/aid";
import type { Practice } from "./practice";

/** One thing that would be other for a client beside limits and drafts. */
export type PracticeChange =
  | { what: "spares"; level: number; isSpared: boolean }
  | { what: "worn"; worn: Worn; isWorn: boolean }
  | { what: "looks_for"; fault: FaultId; exerciseIds: string[] };

/** What is known of a client that a school would meet. */
export interface PracticeFacts {
  worn: Omit<WornFacts, "isBare">;
  /** how sore the last visit made, and how long ago it was; null: none was run */
  last: { soreness: Soreness; daysAgo: number } | null;
  /** what is drafted for the client */
  exercises: readonly Exercise[];
}

/** What another practice would change for this client. Rule K22. */
export function practiceDiff(was: Practice, would: Practice, of: PracticeFacts): PracticeChange[] {
  const level = of.last?.soreness?.level ?? null;
  const spared = (p: Practice) => spareNext(of.last, p.soreUpTo) !== null;
  // by Story alone, as no card is asked
  const worn = ({ isBare }: Practice) => wornAt({ ...of.worn, isBare, byCard: {} }, "");
  const changes: PracticeChange[] = [];
  if (level !== null && spared(was) !== spared(would))
    changes.push({ what: "spares", level, isSpared: spared(would) });
  if (worn(was) !== worn(would)) {
    const isWorn = worn(would) !== "none";
    changes.push({ what: "worn", worn: worn(isWorn ? would : was), isWorn });
  }
  const first = (p: Practice, e: Exercise) => faultsOf(e, p.foot)[0];
  const other = of.exercises.filter((e) => first(was, e) !== first(would, e));
  for (const fault of new Set(other.flatMap((e) => first(would, e) ?? [])))
    changes.push({
      ...{ what: "looks_for", fault },
      exerciseIds: other.filter((e) => first(would, e) === fault).map((e) => e.id),
    });
  return changes;
}
