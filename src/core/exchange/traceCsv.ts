import { type ForceTrace, forceTrace } from "../signal/forceTrace";
import { InputError } from "../units/inputError";
import { GRAVITY_M_S2, KG_PER_LB } from "../units/mass";
import { readNumber } from "../units/readNumber";
import { type Coded, type Said, saidWith } from "../units/said";
import { issueSaid } from "../units/wrong";

export const TRACE_CSV_HEADER = "time_s,force_N";
export const MOST_TRACE_BYTES = 4_000_000;

/** A trace as CSV: header `time_s,force_N`, one sample a line, decimal points. Format: docs/formats.md. */
export function traceToCsv(trace: ForceTrace): string {
  const lines = trace.timeS.map((t, i) => `${t.toFixed(4)},${(trace.forceN[i] as number).toFixed(2)}`);
  return `${[TRACE_CSV_HEADER, ...lines].join("\n")}\n`;
}

/** Units of a header, by their names in small letters: what one of them is in seconds, or in newtons. */
const SECONDS: Readonly<Record<string, number>> = {
  ...{ s: 1, sec: 1, secs: 1, second: 1, seconds: 1 },
  ...{ ms: 0.001, msec: 0.001, millisecond: 0.001, milliseconds: 0.001 },
  ...{ us: 1e-6, µs: 1e-6, microsecond: 1e-6, microseconds: 1e-6, min: 60, minutes: 60 },
};
const NEWTONS: Readonly<Record<string, number>> = {
  ...{ n: 1, newton: 1, newtons: 1, kn: 1000, kilonewton: 1000, kilonewtons: 1000 },
  ...{
    kg: GRAVITY_M_S2,
    kgf: GRAVITY_M_S2,
    kilogram: GRAVITY_M_S2,
    kilograms: GRAVITY_M_S2,
    kp: GRAVITY_M_S2,
  },
  ...{ lb: KG_PER_LB * GRAVITY_M_S2, lbs: KG_PER_LB * GRAVITY_M_S2, lbf: KG_PER_LB * GRAVITY_M_S2 },
  ...{ pound: KG_PER_LB * GRAVITY_M_S2, pounds: KG_PER_LB * GRAVITY_M_S2 },
};

/** What the columns of a file hold: which is the time, and what one of each is in seconds and newtons. */
interface Columns {
  time: number;
  force: number;
  secondsPerUnit: number;
  newtonsPerUnit: number;
}
const PLAIN: Columns = { time: 0, force: 1, secondsPerUnit: 1, newtonsPerUnit: 1 };

const wordsOf = (header: string): string[] =>
  header
    .toLowerCase()
    .split(/[^a-zµ]+/)
    .filter((w) => w !== "");

/** A header's columns; a sentence where it names other things, or no unit: nothing is guessed. */
function columnsOf(headers: readonly string[], line: number): Columns | Coded {
  const words = headers.map(wordsOf);
  const time = words.findIndex((w) => w.some((x) => x === "time" || x === "t"));
  const force = words.findIndex(
    (w, i) => i !== time && w.some((x) => x === "force" || x === "load" || x === "f"),
  );
  if (headers.length !== 2 || time < 0 || force < 0) return saidWith("exchange.trace_line", { line });
  const unitOf = (column: number, units: Readonly<Record<string, number>>): number | null => {
    const found = words[column]?.flatMap((w) => units[w] ?? []) ?? [];
    return found.length === 1 ? (found[0] ?? null) : null;
  };
  const [secondsPerUnit, newtonsPerUnit] = [unitOf(time, SECONDS), unitOf(force, NEWTONS)];
  if (secondsPerUnit === null || newtonsPerUnit === null)
    return saidWith("exchange.trace_units", { line, header: headers.join(", ").slice(0, 60) });
  return { time, force, secondsPerUnit, newtonsPerUnit };
}

const columnsIn = (line: string): string[] =>
  (line.includes("\t") ? line.split("\t") : line.includes(";") ? line.split(";") : line.split(",")).map((c) =>
    c.trim().replace(/^"(.*)"$/, "$1"),
  );

/**
 * Reads a trace from CSV text. Commas, semicolons or tabs part the columns; lines starting with # are comments. Without a
 * header it is seconds and newtons; a header names its units, which are converted. Anything else is refused with the line
 * it stands in; nothing is guessed.
 */
export function traceFromCsv(text: string): ForceTrace {
  const refuse = (said: Said): never => {
    throw new InputError("file", said);
  };
  if (text.length > MOST_TRACE_BYTES) refuse({ code: "exchange.trace_large" });
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\n|\r/);
  const trace: ForceTrace = { timeS: [], forceN: [] };
  let columns: Columns | null = null;
  for (const [i, raw] of lines.entries()) {
    const line = raw.trim();
    if (line === "" || line.startsWith("#")) continue;
    const cells = columnsIn(line);
    const numbers = cells.map(readNumber);
    const isNumeric = cells.length === 2 && numbers.every(Number.isFinite);
    if (!isNumeric && columns === null) {
      const found = columnsOf(cells, i + 1);
      if ("code" in found) refuse(found);
      columns = found as Columns;
      continue;
    }
    if (!isNumeric) refuse(saidWith("exchange.trace_line", { line: i + 1 }));
    columns ??= PLAIN;
    trace.timeS.push((numbers[columns.time] as number) * columns.secondsPerUnit);
    trace.forceN.push((numbers[columns.force] as number) * columns.newtonsPerUnit);
  }
  if (trace.timeS.length === 0) refuse({ code: "exchange.trace_empty" });
  const checked = forceTrace.safeParse(trace);
  const [issue] = checked.error?.issues ?? [];
  if (issue) refuse(saidWith("exchange.trace_wrong", { because: issueSaid(issue) }));
  return trace;
}
