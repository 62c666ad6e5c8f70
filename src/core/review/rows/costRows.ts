import type { DatedCost } from "../facts";
import { type Row, rowOf } from "../row";

/** What daily life takes of this leg, as it grew stronger. */
export function costRows(costs: readonly DatedCost[]): Row[] {
  const ids = [...new Set(costs.map((c) => c.id))];
  return ids.flatMap((id) => {
    const own = costs.filter((c) => c.id === id);
    const points = own.flatMap(({ on, cost }) =>
      cost.percent === null
        ? []
        : [
            {
              on,
              value: cost.percent.value,
              low: Math.max(0, cost.percent.value - (cost.percent.doubt ?? 0)),
              high: cost.percent.value + (cost.percent.doubt ?? 0),
              note: cost.isAtLeast ? "at least: it bends further than the strength curve reaches" : "",
            },
          ],
    );
    if (points.length === 0) return [];
    return [
      rowOf({
        id: `cost ${id}`,
        name: own[0]?.name ?? id,
        under: "share of what this leg can do",
        unit: "%",
        better: "down",
        least: 0,
        most: 110,
        marks: [{ value: 100, words: "all of it" }],
        series: [{ name: "of what this leg can do", mark: "dot", points }],
      }),
    ];
  });
}
