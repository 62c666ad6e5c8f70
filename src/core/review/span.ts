import type { Action } from "../progression/safetyRules";
import { type Said, saidWith } from "../units/said";
import type { Computed } from "../units/working/working";
import type { Decided, ReviewFacts } from "./facts";
import { computedOf, type Point, type Row, type Series, valueWords } from "./row";

/** Days from the first to the last, both counted. */
export interface Span {
  from: string;
  to: string;
}

/** A row within a span: where it stood first and last. */
export interface SpanLine {
  id: string;
  /** which series of which row */
  rowId: string;
  key: string;
  name: Said;
  first: string;
  digits: number;
  /** null: there was only one */
  last: string | null;
  /** the working behind both */
  firstOf: Computed;
  lastOf: Computed;
  note: Said[];
}

export interface SpanNumbers {
  visits: number;
  /** days of a block in the span: planned, and finished of those */
  planned: number;
  kept: number;
  lines: SpanLine[];
  decisions: Record<Action, number>;
  overridden: Decided[];
}

const within =
  ({ from, to }: Span) =>
  (x: { on: string }): boolean =>
    x.on >= from && x.on <= to;

/** Values of a span in numbers: what a person reads beside the picture. */
export function spanOf(f: ReviewFacts, rows: readonly Row[], span: Span): SpanNumbers {
  const isIn = within(span);
  const decided = f.decisions.filter(isIn);
  const planned = f.planned.filter(isIn);
  const count = (action: Action): number => decided.filter((d) => d.action === action).length;
  return {
    visits: f.visits.filter(isIn).length,
    planned: planned.length,
    kept: planned.filter((p) => p.wasDone).length,
    lines: rows.flatMap((r) => r.series.flatMap((s) => lineOf(r, s, span))),
    decisions: {
      PROGRESS: count("PROGRESS"),
      HOLD: count("HOLD"),
      REGRESS: count("REGRESS"),
      STOP_REFER: count("STOP_REFER"),
    },
    overridden: decided.filter((d) => d.action !== d.computed),
  };
}

function lineOf(row: Row, series: Series, span: Span): SpanLine[] {
  const points = series.points.filter(within(span));
  const [first] = points;
  if (!first) return [];
  const last = points.at(-1) ?? first;
  const say = (p: Point): string => valueWords(row, p.value);
  return [
    {
      id: `${row.id} ${series.key}`,
      rowId: row.id,
      key: series.key,
      name:
        row.series.length > 1
          ? saidWith("review.row_series", { row: row.name, series: series.name })
          : row.name,
      first: say(first),
      digits: row.digits,
      last: points.length > 1 ? say(last) : null,
      firstOf: computedOf(row, series, first),
      lastOf: computedOf(row, series, last),
      note: [...changeSaid(row, first, last), ...worstSaid(row, points, last), ...last.note],
    },
  ];
}

const MORE = { code: "review.more_than_error" };
const WITHIN = { code: "review.within_error" };

/** Whether what changed is more than measurement error, where that is known. */
function changeSaid(row: Row, first: Point, last: Point): Said[] {
  if (first.value === last.value) return [];
  if (
    last.low !== null &&
    last.high !== null &&
    first.low !== null &&
    first.high !== null &&
    row.better !== null
  ) {
    const half = Math.hypot(last.high - last.value, first.high - first.value);
    return [Math.abs(last.value - first.value) > half ? MORE : WITHIN];
  }
  if (row.realChange === null) return [];
  return [Math.abs(last.value - first.value) >= row.realChange ? MORE : WITHIN];
}

/** The worst on the way, where it was worse than both ends. */
function worstSaid(row: Row, points: readonly Point[], last: Point): Said[] {
  if (row.better !== "down" || points.length < 3) return [];
  const worst = points.reduce((w, p) => (p.value > w.value ? p : w));
  return worst.value > last.value && worst !== points[0]
    ? [saidWith("review.worst_on", { value: valueWords(row, worst.value), on: worst.on })]
    : [];
}
