import type { MeasuredArc } from "../../measure/painfulArcs";
import { painfulMove } from "../../strength/painfulArc";
import type { Side } from "../../units/fields";
import { saidWith } from "../../units/said";
import type { ReviewFacts } from "../facts";
import { point, type Row, rowOf } from "../row";

/** How wide the part of its way is that hurts, by the way the knee was moved; 0 where none was found. Rule K27. */
export function painfulRows({ measurements, side }: Pick<ReviewFacts, "measurements" | "side">): Row[] {
  const other: Side = side === "left" ? "right" : "left";
  return painfulMove.options.map((moved) => {
    const of = (s: Side) =>
      measurements
        .filter((m) => m.kind === "painful_arc" && m.moved === moved && m.side === s)
        .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
        .map((m) => point(m.takenOn, widthDeg(m), noteOf(m)));
    return rowOf({
      id: `painful ${moved}`,
      name: saidWith("review.painful", { moved }),
      under: { code: "review.painful_under" },
      how: {
        formula: { code: "review.painful_formula" },
        source: { code: "review.painful_source" },
        confidence: "medium",
        origin: "measured",
        cannotTell: { code: "review.painful_cannot" },
      },
      unit: "°",
      better: "down",
      least: 0,
      series: [
        { key: "own", name: saidWith("review.side_this", { side }), mark: "dot", points: of(side) },
        {
          key: "other",
          name: saidWith("review.side_other", { side: other }),
          mark: "diamond",
          points: of(other),
        },
      ],
    });
  });
}

const widthDeg = ({ fromDeg, toDeg }: MeasuredArc): number =>
  fromDeg === null || toDeg === null ? 0 : toDeg - fromDeg;

const noteOf = ({ fromDeg, toDeg, loadKg, value: pain }: MeasuredArc) =>
  fromDeg === null || toDeg === null
    ? []
    : [saidWith("review.painful_from", { fromDeg, toDeg, loadKg, pain })];
