import type { NamedCost } from "../facts";
import { type Row, type RowHow, rowOf } from "../row";

/** As the cost itself says it. */
function costHow(own: readonly NamedCost[]): RowHow {
  const percent = own.findLast((c) => c.cost.percent)?.cost.percent;
  return {
    formula: percent?.working.formula ?? { code: "work.torque_share" },
    source: percent?.working.source ?? "docs/rules.md",
    confidence: percent?.working.confidence ?? "own",
    origin: percent?.origin ?? "estimated",
    ...(percent?.working.cannotTell ? { cannotTell: percent.working.cannotTell } : {}),
  };
}

/** What daily life takes of this leg, as it grew stronger. */
export function costRows(costs: readonly NamedCost[]): Row[] {
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
              inputs: cost.percent.working.inputs,
              note: cost.isAtLeast ? [{ code: "work.at_least" }] : [],
            },
          ],
    );
    if (points.length === 0) return [];
    return [
      rowOf({
        id: `cost ${id}`,
        name: own[0]?.name ?? id,
        how: costHow(own),
        under: { code: "review.cost_under" },
        unit: "%",
        better: "down",
        least: 0,
        most: 110,
        marks: [{ value: 100, words: { code: "review.all_of_it" } }],
        series: [{ key: "own", name: { code: "review.cost_series" }, mark: "dot", points }],
      }),
    ];
  });
}
