import "server-only";
import Papa from "papaparse";
import type { CsvTable } from "@/core/exchange/csvOut";

/** Signs of other writings that some programs take for the beginning of a formula. */
const WIDE = /^[＝＋－＠]/u;

/** A table as CSV. Text that a spreadsheet would take for a formula gets an apostrophe before it; numbers stay numbers. */
export const csvText = ({ columns, rows }: CsvTable): string =>
  Papa.unparse(
    {
      fields: columns,
      data: rows.map((r) => r.map((c) => (typeof c === "string" && WIDE.test(c) ? `'${c}` : (c ?? "")))),
    },
    { escapeFormulae: true, newline: "\r\n" },
  );
