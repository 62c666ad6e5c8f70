import type { Row } from "@/core/review/row";
import type { Say } from "./say";

const shown = (x: number | null, digits: number): string => (x === null ? "" : x.toFixed(digits));

/** The table of a row: the same values in words. */
export interface RowTable {
  columns: string[];
  rows: string[][];
}

/** Every point of a row, by day, as a table: the chart's values and nothing else. */
export function tableOf(row: Row, say: Say): RowTable {
  const hasRange = row.series.some((s) => s.points.some((p) => p.low !== null));
  const hasNotes = row.series.some((s) => s.points.some((p) => p.note.length > 0));
  const unit = row.unit ? ` (${row.unit})` : "";
  return {
    columns: [
      "day",
      "what",
      `value${unit}`,
      ...(hasRange ? [`from${unit}`, `to${unit}`] : []),
      ...(hasNotes ? ["note"] : []),
    ],
    rows: row.series
      .flatMap((s) => s.points.map((p) => ({ s, p })))
      .sort((a, b) => a.p.on.localeCompare(b.p.on))
      .map(({ s, p }) => [
        p.on,
        say(s.name),
        shown(p.value, row.digits),
        ...(hasRange ? [shown(p.low, row.digits), shown(p.high, row.digits)] : []),
        ...(hasNotes ? [p.note.map(say).join("; ")] : []),
      ]),
  };
}
