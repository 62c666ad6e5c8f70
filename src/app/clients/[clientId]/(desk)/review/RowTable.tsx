"use client";
import Papa from "papaparse";
import type { Row } from "@/core/review/row";
import { shortDate } from "@/ui/dates";
import { keepFile } from "@/ui/files/keepFile";
import { keepPng, keepSvg } from "@/ui/files/picture";
import { useSay } from "@/ui/reader";
import { tableOf } from "@/words/reviewTable";

/** The values of a chart as a table, and as files to take along. */
export function RowTable({
  row,
  locale,
  chart,
}: {
  row: Row;
  locale: string;
  chart: () => SVGSVGElement | null;
}) {
  const say = useSay();
  const title = say(row.name);
  const charts = () => {
    const svg = chart();
    return svg ? [{ title: `${title}, ${say(row.under)}`, svg }] : [];
  };
  const name = title.replace(/[^\p{L}\p{N}]+/gu, "-");
  const table = tableOf(row, say);
  return (
    <div className="relative z-10 mb-3 bg-base-100 px-3 py-2">
      <p className="small mb-1 flex gap-3">
        <button type="button" className="cursor-pointer underline" onClick={() => keepSvg(name, charts())}>
          SVG
        </button>
        <button
          type="button"
          className="cursor-pointer underline"
          onClick={() => void keepPng(name, charts())}
        >
          PNG
        </button>
        <button
          type="button"
          className="cursor-pointer underline"
          onClick={() =>
            keepFile(
              `${name}.csv`,
              new Blob(
                [
                  Papa.unparse(
                    { fields: table.columns, data: table.rows },
                    { escapeFormulae: true, newline: "\r\n" },
                  ),
                ],
                {
                  type: "text/csv",
                },
              ),
            )
          }
        >
          CSV
        </button>
      </p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a long table is scrolled by keys */}
      <section className="max-h-64 overflow-auto" tabIndex={0} aria-label={`Table of ${title}`}>
        <table className="small w-full text-left">
          <thead className="sticky top-0 bg-base-100">
            <tr>
              {table.columns.map((c) => (
                <th key={c} className="py-1 pr-3 font-normal quiet">
                  {c}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((cells, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: values in their order
              <tr key={i} className="border-t border-base-300">
                {cells.map((cell, j) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: columns in their order
                  <td key={j} className="py-0.5 pr-3">
                    {j === 0 ? shortDate(cell, locale) : cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}
