import type { Plateau } from "@/core/capacity/plateau";
import type { Direction } from "@/core/selection/setUp/strengthKnown";
import { plateauWords } from "@/words/en/numbers/plateau";

export type Plateaus = readonly (Plateau & { direction: Direction })[];

/** Muscle groups that four weeks of work did not make stronger, each with what fits. */
export function PlateauNote({ plateaus }: { plateaus: Plateaus }) {
  return plateaus.map((p) => (
    <p key={p.direction} role="status" className="mt-2 max-w-[90ch] border-l-4 border-mark pl-3">
      {plateauWords(p)}
    </p>
  ));
}
