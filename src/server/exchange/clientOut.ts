import "server-only";
import {
  CLIENT_TABLE_NAMES,
  CLIENT_TABLES,
  type ClientFile,
  type ClientTable,
  type FileRow,
} from "@/core/exchange/clientFile";
import { MACHINE_COLUMNS } from "@/core/exchange/clientPlan";
import { type Ctx, mustMay } from "../base/context";
import { Refused } from "../base/refused";

/** By which column a row belongs to which other row; what has an episode belongs to it. */
const PARENT: Partial<Record<ClientTable, readonly [column: string, of: ClientTable]>> = {
  episode: ["client_id", "client"],
  screening_answer: ["screening_id", "screening"],
  screening_clearance: ["screening_id", "screening"],
  strength_trial: ["test_id", "strength_test"],
  sheet_version: ["sheet_id", "sheet"],
  sheet_line: ["version_id", "sheet_version"],
  visit_event: ["visit_id", "visit"],
  visit_end: ["visit_id", "visit"],
  set_record: ["visit_id", "visit"],
  response: ["visit_id", "visit"],
  decision: ["visit_id", "visit"],
  block_day: ["block_id", "block"],
};
/** Rows that have no id stand in the order of their keys. */
const ORDER: Partial<Record<ClientTable, string>> = {
  screening_answer: "screening_id, question_id",
  sheet_line: "version_id, seq",
  visit_event: "visit_id, seq",
  visit_end: "visit_id",
  block_day: "block_id, sheet_id, on_day",
  audit: "id",
};
/** What changes of these are a client's record. */
const RECORDED: readonly ClientTable[] = [
  "client",
  "episode",
  "strength_test",
  "sheet",
  "sheet_version",
  "recheck",
  "visit",
];

/** Rows of a kind that belong to the client $1, as a condition in SQL; names are our own and no input. */
function belongs(name: ClientTable): string {
  if (name === "client") return "id = $1";
  if (name === "audit")
    return `subject_id in (${RECORDED.map((of) => `select id from ${of} where ${belongs(of)}`).join(" union all ")})`;
  const [column, of] = PARENT[name] ?? ["episode_id", "episode" as const];
  return `${column} in (select id from ${of} where ${belongs(of)})`;
}

/** A client with everything of theirs as a file. Moments are written in UTC. */
export async function clientFileOf(ctx: Ctx, clientId: string): Promise<ClientFile> {
  mustMay(ctx, "export.client");
  await ctx.tx`set local timezone to 'UTC'`;
  const rows: Partial<Record<ClientTable, FileRow[]>> = {};
  for (const name of CLIENT_TABLE_NAMES) {
    const columns = Object.keys(CLIENT_TABLES[name].row.shape);
    const [found] = await ctx.tx.unsafe(
      `select coalesce(jsonb_agg(x.row order by x.n), '[]') as all from (
         select to_jsonb(t) as row, row_number() over (order by ${ORDER[name] ?? "id"}) as n
         from (select ${columns.map((c) => `"${c}"`).join(", ")}${name === "audit" ? ", id" : ""} from ${name} where ${belongs(name)}) t) x`,
      [clientId],
    );
    rows[name] = ((found?.all ?? []) as FileRow[]).map(({ id, ...row }) =>
      name === "audit" || id === undefined ? row : { id, ...row },
    );
  }
  if (rows.client?.length !== 1)
    throw new Refused("missing", "There is no such client in this clinic. Go back to Today.");
  const file = {
    format: "bexlo-client" as const,
    version: 1 as const,
    made_at: ctx.now.toISOString(),
    clinic: { name: ctx.actor.clinicName, time_zone: ctx.actor.timeZone },
    people: await peopleIn(ctx, rows),
    machines: await machinesIn(ctx, rows),
    rows,
  };
  return file as unknown as ClientFile;
}

/** Everybody who is named in the rows, by name and role. */
export async function peopleIn(
  ctx: Ctx,
  rows: Partial<Record<string, FileRow[]>>,
  tables: Readonly<Record<string, { names: object }>> = CLIENT_TABLES,
) {
  const ids = new Set<string>();
  for (const [name, all] of Object.entries(rows))
    for (const [column, of] of Object.entries(tables[name]?.names ?? {}))
      if (of === "person") for (const r of all ?? []) if (r[column] !== null) ids.add(r[column] as string);
  return ctx.tx`select id, name, role from person where id = any(${[...ids]}::uuid[]) order by id` as unknown as Promise<
    ClientFile["people"]
  >;
}

/** The machines that cards and lines name, so that the file can be read where they are not. */
async function machinesIn(ctx: Ctx, rows: Partial<Record<ClientTable, FileRow[]>>) {
  const ids = new Set<string>();
  for (const c of [...(rows.set_up_card ?? []), ...(rows.measurement ?? [])])
    if (c.machine_id) ids.add(c.machine_id as string);
  for (const l of rows.sheet_line ?? []) {
    const { machineId } = l.plan as { machineId?: string | null };
    if (machineId) ids.add(machineId);
  }
  const found = await ctx.tx`
    select to_jsonb(m) as row from (select ${ctx.tx(MACHINE_COLUMNS)} from machine where id = any(${[...ids]}::uuid[]) order by id) m`;
  return found.map((r) => r.row) as ClientFile["machines"];
}
