import { boundKind } from "../bounds/kinds";
import { conditionById } from "../rules/conditions";
import { redFlagById } from "../rules/redFlags";
import { saidWith } from "../units/said";
import { CLIENT_TABLE_NAMES, CLIENT_TABLES, type ClientFile, type FileRow } from "./clientFile";
import type { BroughtClient, ImportPlan, PlannedRows } from "./plan";
import { renamed } from "./renamed";

/** What a client's file would write, under the ids of this clinic. `names` are all ids of the file with their new ones. */
export function clientPlan(
  file: ClientFile,
  names: ReadonlyMap<string, string>,
  known: { people: ReadonlySet<string>; machines: ReadonlySet<string> },
): ImportPlan {
  const here = renamed(file, names);
  const machines = here.machines.filter((m) => !known.machines.has(m.id));
  const tables: PlannedRows[] = CLIENT_TABLE_NAMES.map((table) => ({
    table,
    key: CLIENT_TABLES[table].key,
    columns: Object.keys(CLIENT_TABLES[table].row.shape),
    rows: here.rows[table] as FileRow[],
  }));
  return {
    people: here.people.filter((p) => !known.people.has(p.id)).map(({ id, name }) => ({ id, name })),
    tables: [...(machines.length > 0 ? [machineRows(machines)] : []), ...tables],
    clients: [broughtBy(here)],
    problems: [],
    notes: machines.map((m) => saidWith("exchange.machine_new", { name: m.name })),
  };
}

/** What a file tells of a machine: written out and read in. */
export const MACHINE_COLUMNS = [
  "id",
  "name",
  "place",
  "family",
  "steps",
  "geometry",
  "cam",
  "notches",
  "note",
  "version",
  "retired_at",
];

export const machineRows = (rows: readonly FileRow[]): PlannedRows => ({
  table: "machine",
  key: "id",
  columns: MACHINE_COLUMNS,
  rows: [...rows],
});

/** What of a client's records limits follow from, in words. */
function broughtBy({ rows }: ClientFile): BroughtClient {
  const client = rows.client[0];
  const open = new Set(rows.episode.filter((e) => e.closed_on === null).map((e) => e.id));
  const replaced = new Set(rows.episode_limit.map((l) => l.replaces));
  const cleared = new Set(rows.screening_clearance.map((c) => `${c.screening_id} ${c.question_id}`));
  return {
    id: client?.id ?? "",
    name: client?.name ?? "",
    conditions: rows.episode_condition
      .filter((c) => open.has(c.episode_id) && c.ended_on === null)
      .map((c) => {
        const known = conditionById(c.condition_id);
        const phase = known?.phases.find((p) => p.id === c.phase_id)?.name ?? c.phase_id;
        return saidWith("exchange.condition_brought", {
          name: known?.name ?? c.condition_id,
          since: c.began_on,
          phase,
          isConfirmed: c.confirmed_at !== null,
        });
      }),
    limits: rows.episode_limit
      .filter((l) => open.has(l.episode_id) && !l.is_lifted && !replaced.has(l.id))
      .map(
        (l) =>
          `${boundKind(l.kind).name} ${l.bound ?? l.word ?? ""}, ${l.origin}${l.ends_on ? ` until ${l.ends_on}` : ""}: ${l.reason}`,
      ),
    signs: rows.screening_answer
      .filter((a) => a.answer !== "no" && !cleared.has(`${a.screening_id} ${a.question_id}`))
      .map((a) => `${redFlagById(a.question_id)?.question ?? a.question_id}: ${a.answer}`)
      .slice(0, 20),
    counts: { tests: rows.strength_test.length, sheets: rows.sheet.length, visits: rows.visit.length },
  };
}
