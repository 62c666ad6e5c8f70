import type { LineOfVisit } from "./capacity/capacityEvents";

/** Mean of what was said to be left over what was planned to be; null: nobody said. */
export function leftOver(lines: readonly LineOfVisit[]): number | null {
  const over = lines.flatMap(({ kept, records }) =>
    records.flatMap((r) => {
      const planned = (kept.sets[r.setNo - 1] ?? kept.sets.at(-1))?.reserve ?? null;
      return r.reserve === null || planned === null ? [] : [r.reserve - planned];
    }),
  );
  return over.length === 0 ? null : over.reduce((a, b) => a + b, 0) / over.length;
}
