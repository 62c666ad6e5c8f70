import { type ForceTrace, forceTrace } from "../signal/forceTrace";
import { InputError } from "../units/inputError";
import { readNumber } from "../units/readNumber";

export const TRACE_CSV_HEADER = "time_s,force_N";
export const MOST_TRACE_BYTES = 4_000_000;

/** A trace as CSV: header `time_s,force_N`, one sample a line, decimal points. Format: docs/formats.md. */
export function traceToCsv(trace: ForceTrace): string {
  const lines = trace.timeS.map((t, i) => `${t.toFixed(4)},${(trace.forceN[i] as number).toFixed(2)}`);
  return `${[TRACE_CSV_HEADER, ...lines].join("\n")}\n`;
}

/**
 * Reads a trace from CSV text. Commas, semicolons or tabs part the columns; a header is optional; lines starting with
 * # are comments. Anything else is refused with the line it stands in; nothing is guessed.
 */
export function traceFromCsv(text: string): ForceTrace {
  const refuse = (sentence: string): never => {
    throw new InputError("file", sentence);
  };
  if (text.length > MOST_TRACE_BYTES)
    refuse("This file is larger than 4 MB; a trace of two minutes is far smaller.");
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\n|\r/);
  const trace: ForceTrace = { timeS: [], forceN: [] };
  let dataLines = 0;
  for (const [i, raw] of lines.entries()) {
    const line = raw.trim();
    if (line === "" || line.startsWith("#")) continue;
    const columns = line.includes("\t")
      ? line.split("\t")
      : line.includes(";")
        ? line.split(";")
        : line.split(",");
    const [timeS, forceN] = columns.map(readNumber);
    const isNumeric = Number.isFinite(timeS) && Number.isFinite(forceN) && columns.length === 2;
    if (!isNumeric && dataLines === 0 && /time/i.test(line) && /force/i.test(line)) {
      dataLines++;
      continue;
    }
    if (!isNumeric)
      refuse(`Line ${i + 1} is not a time and a force. Expected two numbers: seconds, newtons.`);
    dataLines++;
    trace.timeS.push(timeS as number);
    trace.forceN.push(forceN as number);
  }
  if (trace.timeS.length === 0) refuse("This file holds no samples. Expected two columns: time_s,force_N.");
  const checked = forceTrace.safeParse(trace);
  if (!checked.success)
    refuse(`This trace cannot be used: ${checked.error.issues[0]?.message ?? "strange numbers"}`);
  return trace;
}
