import type { ReviewVisit } from "../facts";
import { point, type Row, rowOf } from "../row";

/** Joint pain before, in, after a visit and the next morning. */
export function painRow(visits: readonly ReviewVisit[]): Row {
  const of = (value: (v: ReviewVisit) => number | null, note: (v: ReviewVisit) => string = () => "") =>
    visits.flatMap((v) => {
      const x = value(v);
      return x === null ? [] : [point(v.on, x, note(v))];
    });
  const limit = visits.findLast((v) => v.painMax !== null)?.painMax ?? null;
  return rowOf({
    id: "pain",
    name: "joint pain",
    how: {
      formula: "the answer from 0 to 10; of several in a visit the worst",
      source: "the visit's record and the morning after; a change of 2 is more than chance",
      confidence: "high",
      origin: "entered",
      cannotTell: "what else was done that day",
    },
    under: "bar: before to after; square: worst in a set; dot: next morning",
    unit: "of 10",
    better: "down",
    realChange: 2,
    least: 0,
    most: 10,
    marks: limit === null ? [] : [{ value: limit, words: `most allowed ${limit}` }],
    series: [
      {
        name: "before to after",
        mark: "bar",
        points: visits.flatMap((v) =>
          v.painAfter === null
            ? []
            : [{ ...point(v.on, v.painAfter, v.stopped ?? ""), low: v.painBefore, high: v.painAfter }],
        ),
      },
      {
        name: "worst in a set",
        mark: "square",
        points: of(
          (v) => v.painWorst,
          (v) =>
            v.painMax !== null && v.painWorst !== null && v.painWorst > v.painMax
              ? "above the most allowed"
              : "",
        ),
      },
      { name: "next morning", mark: "dot", points: of((v) => v.morning) },
    ],
  });
}
