import { type Said, saidWith } from "../../units/said";
import { stopSaid } from "../../visit/signs/stopReasons";
import type { ReviewVisit } from "../facts";
import { point, type Row } from "../row";
import { scoreRow } from "./scoreRow";

/** Joint pain before, in, after a visit and the next morning. */
export function painRow(visits: readonly ReviewVisit[]): Row {
  const of = (
    value: (v: ReviewVisit) => number | null,
    note: (v: ReviewVisit) => readonly Said[] = () => [],
  ) =>
    visits.flatMap((v) => {
      const x = value(v);
      return x === null ? [] : [point(v.on, x, note(v))];
    });
  const limit = visits.findLast((v) => v.painMax !== null)?.painMax ?? null;
  return scoreRow({
    id: "pain",
    name: { code: "review.pain" },
    under: { code: "review.pain_under" },
    marks: limit === null ? [] : [{ value: limit, words: saidWith("review.most_allowed", { most: limit }) }],
    series: [
      {
        key: "visit",
        name: { code: "review.before_to_after" },
        mark: "bar",
        points: visits.flatMap((v) =>
          v.painAfter === null
            ? []
            : [
                {
                  ...point(v.on, v.painAfter, v.stopped ? [stopSaid(v.stopped)] : []),
                  low: v.painBefore,
                  high: v.painAfter,
                },
              ],
        ),
      },
      {
        key: "worst",
        name: { code: "review.worst_in_set" },
        mark: "square",
        points: of(
          (v) => v.painWorst,
          (v) =>
            v.painMax !== null && v.painWorst !== null && v.painWorst > v.painMax
              ? [{ code: "review.above_most" }]
              : [],
        ),
      },
      {
        key: "morning",
        name: { code: "review.next_morning" },
        mark: "dot",
        points: visits.flatMap((v) => {
          if (v.morning === null) return [];
          const [what] = v.besides;
          // hollow: what the exercises did cannot be told from what else was done. Rule Besides 3
          return [
            what === undefined
              ? point(v.on, v.morning)
              : point(v.on, v.morning, [saidWith("review.besides", { what })], "open"),
          ];
        }),
      },
    ],
  });
}
