import { MARKER_CHANGE, MARKER_IDS, markerMove } from "../../story/markers";
import { saidWith } from "../../units/said";
import type { ReviewFacts } from "../facts";
import { type Point, point, type Row } from "../row";
import { asSaid, scoreRow } from "./scoreRow";

/** Movements that bring the pain on, before and after each visit in which they were tried. Rule Marker 1. */
export const markerRows = ({ visits }: Pick<ReviewFacts, "visits">): Row[] =>
  MARKER_IDS.map((kind) => {
    const scored = visits.flatMap((v) => {
      const m = v.markers.find((x) => x.kind === kind);
      return m ? [{ on: v.on, m }] : [];
    });
    const of = (when: "before" | "after"): Point[] =>
      scored.flatMap(({ on, m }) => {
        const value = m[when];
        const move = when === "after" ? markerMove(m) : null;
        return value === null
          ? []
          : [point(on, value, move ? [saidWith("review.marker_move", { move })] : [])];
      });
    return scoreRow({
      id: `marker ${kind}`,
      name: saidWith("review.marker", { kind }),
      how: asSaid("review.marker_formula"),
      under: { code: "review.marker_under" },
      realChange: MARKER_CHANGE,
      series: [
        { key: "before", name: { code: "review.marker_before" }, mark: "ring", points: of("before") },
        { key: "after", name: { code: "review.marker_after" }, mark: "dot", points: of("after") },
      ],
    });
  });
