import type { ReviewFacts } from "./facts";
import type { Row } from "./row";
import { canRows } from "./rows/canRows";
import { costRows } from "./rows/costRows";
import { effortRow } from "./rows/effortRow";
import { lineRows } from "./rows/lineRows";
import { markerRows } from "./rows/markerRows";
import { measureRows } from "./rows/measureRows";
import { painfulRows } from "./rows/painfulRows";
import { painRow } from "./rows/painRow";
import { regionRows } from "./rows/regionRows";
import { strengthRows, symmetryRows } from "./rows/strengthRows";
import { weekRows } from "./rows/weekRows";

/** The rows of a review in the order in which they are read; what has no point is left out. */
export function rowsOfReview(f: ReviewFacts): Row[] {
  const measured = measureRows(f);
  return [
    painRow(f.visits),
    ...regionRows(f),
    ...markerRows(f),
    ...measured.filter((r) => r.leads),
    ...lineRows(f.lines, f.decisions),
    ...canRows(f),
    ...symmetryRows(f),
    ...strengthRows(f),
    ...costRows(f.costs),
    ...painfulRows(f),
    ...measured.filter((r) => !r.leads),
    effortRow(f),
    ...weekRows(f),
  ].filter((r) => r.series.some((s) => s.points.length > 0));
}

/** Rows that are looked at first; the others are one key away. */
export const isFirst = (r: Row): boolean =>
  r.leads === true || /^(pain|region|marker|line|can|symmetry|cost|done)/.test(r.id);
