import { FAMILIES } from "../../equipment/families";
import { machine } from "../../equipment/machine";
import { templateOf } from "../../equipment/templates";
import { issueSaid } from "../../units/wrong";
import type { FileProblem, FileRow } from "../clientFile";
import { machineRows } from "../clientPlan";
import type { Making } from "../newRows";
import { emptyPlan, type ImportPlan } from "../plan";
import type { Line } from "./fields";

const FAMILY_WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  FAMILIES.flatMap((f) => [
    [f.id, f.id],
    [f.name.toLowerCase(), f.id],
  ]),
);

/** Machines of a table: dimensions are those of a usual one of its kind until somebody measures them. */
export function readMachines(
  lines: readonly { no: number; line: Line }[],
  m: Making,
  isHere: (name: string) => boolean,
): ImportPlan {
  const problems: FileProblem[] = [];
  const rows: FileRow[] = [];
  const seen = new Set<string>();
  for (const { no, line } of lines) {
    const name = line.text("machine").slice(0, 60);
    const family = line.one("family", FAMILY_WORDS);
    const first = line.number("first_kg", 0.5, 200, "kg");
    const step = line.number("step_kg", 0.5, 50, "kg");
    const plates = line.number("plates", 1, 60, "");
    const isStack = first !== null || step !== null || plates !== null;
    if (
      isStack &&
      (first === null || step === null || plates === null || !Number.isInteger(plates)) &&
      line.problems.length === 0
    )
      line.problems.push({ code: "exchange.stack_needs" });
    if (name && (isHere(name) || seen.has(name.toLowerCase())))
      line.problems.push({ code: "exchange.machine_here" });
    seen.add(name.toLowerCase());
    if (line.problems.length === 0 && family) {
      const usual = templateOf(family);
      const made = machine.safeParse({
        ...usual,
        name,
        place: line.text("place").slice(0, 60),
        note: "from a table; dimensions are those of a usual one, not measured",
        steps: isStack ? { kind: "stack", first, step, plates, addOns: [], pulley: 1 } : usual.steps,
      });
      if (made.success)
        rows.push({
          ...made.data,
          id: m.idOf(`machine ${name.toLowerCase()}`),
          version: 1,
          retired_at: null,
        });
      else line.problems.push(...made.error.issues.map(issueSaid));
    }
    for (const said of line.problems) problems.push({ at: `line ${no}`, said });
  }
  return {
    ...emptyPlan(problems),
    tables: [machineRows(rows)],
    notes: rows.length > 0 ? [{ code: "exchange.usual_dimensions" }] : [],
  };
}
