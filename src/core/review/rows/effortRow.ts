import type { ReviewFacts } from "../facts";
import { point, type Row } from "../row";
import { asSaid, scoreRow } from "./scoreRow";

/** How hard whole visits were. Rule "Visit's effort". */
export const effortRow = ({ visits }: Pick<ReviewFacts, "visits">): Row =>
  scoreRow({
    id: "effort",
    name: { code: "review.effort" },
    how: asSaid("review.effort_formula"),
    under: { code: "review.effort_under" },
    better: null,
    series: [
      {
        key: "effort",
        name: { code: "review.effort" },
        mark: "dot",
        points: visits.flatMap((v) => (v.effort === null ? [] : [point(v.on, v.effort)])),
      },
    ],
  });
