import type { Exercise } from "@/core/rules/exercises";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";

/** The next easier and harder form that fit today: bent to straight knee, two legs to one, shorter to longer lever. */
export function formsOf(
  e: Exercise,
  rows: readonly RangeRow[],
): { easier: Exercise | null; harder: Exercise | null } {
  const find = (id: string | null) =>
    rows.find((r) => r.e.id === id && r.e.match.class === e.match.class)?.e ?? null;
  return { easier: find(e.easier_id), harder: find(e.harder_id) };
}
