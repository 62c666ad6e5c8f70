import "server-only";
import type { z } from "zod";
import {
  CLIENT_TABLES,
  type ClientFile,
  clientFile,
  type FileProblem,
  type FileRow,
  looseEnds,
  MOST_ROWS,
} from "@/core/exchange/clientFile";
import { clientPlan, machineRows } from "@/core/exchange/clientPlan";
import {
  CLINIC_TABLE_NAMES,
  CLINIC_TABLES,
  type ClinicFile,
  clinicFile,
  MOST_MACHINES,
  MOST_OF_CLINIC,
  machinesFile,
} from "@/core/exchange/clinicFile";
import { emptyPlan, type ImportPlan } from "@/core/exchange/plan";
import { idsIn, renamed } from "@/core/exchange/renamed";
import { saidWith } from "@/core/units/said";
import { issueSaid } from "@/core/units/wrong";
import type { Ctx } from "../base/context";
import { hereOf, idHere, machinesHere, peopleHere } from "./identity";

/** After so many wrong rows nobody reads on: looking ends. */
const MOST_PROBLEMS = 100;
/** Rows that are looked at before others have their turn on the server's thread. */
const ROWS_A_TURN = 400;

type Tables = Readonly<Record<string, { row: z.ZodType }>>;

const problemOf = (i: z.core.$ZodIssue, where: string): FileProblem => ({
  at: `${where}${i.path.join(".")}`,
  said:
    i.code === "unrecognized_keys"
      ? saidWith("input.unknown_keys", { keys: i.keys.join(", ").slice(0, 200) })
      : issueSaid(i),
});

/**
 * The rows of a content's tables, each as its schema reads it, in turns; or the first wrong ones: a file of a hundred
 * thousand wrong rows is given up after the first hundred, and holds nobody up meanwhile.
 */
async function rowsOf(
  tables: Tables,
  lists: object,
  where: string,
): Promise<{ rows: Record<string, unknown[]> } | { problems: FileProblem[] }> {
  const rows: Record<string, unknown[]> = {};
  const problems: FileProblem[] = [];
  let seen = 0;
  for (const [name, { row }] of Object.entries(tables)) {
    const list = (lists as Record<string, unknown>)[name];
    if (!Array.isArray(list)) continue;
    const read: unknown[] = [];
    rows[name] = read;
    for (const [i, content] of list.entries()) {
      seen += 1;
      if (seen % ROWS_A_TURN === 0) await nextTurn();
      const parsed = row.safeParse(content);
      if (parsed.success) read.push(parsed.data);
      else
        for (const issue of parsed.error.issues) {
          problems.push(problemOf(issue, `${where}${name}.${i}.`));
          if (problems.length >= MOST_PROBLEMS) return { problems };
        }
    }
  }
  return problems.length > 0 ? { problems } : { rows };
}

const nextTurn = (): Promise<void> => new Promise((go) => setImmediate(go));

/** A list as short as shows whether it holds nothing, one, several, or more than it may. */
const shortened = (list: unknown, most: number): unknown =>
  Array.isArray(list) ? list.slice(0, list.length > most ? most + 1 : 2) : list;

/**
 * A content against a file's schema: the content, or where it does not fit. `rows`: its long lists, each with what one
 * row has to be and how many each may hold; they are read once, row by row, and the schema sees the beginning of each.
 */
export async function fits<S extends z.ZodType>(
  schema: S,
  content: unknown,
  where = "",
  rows?: { tables: Tables; in: "rows" | null; most: number },
): Promise<{ data: z.infer<S> } | { problems: FileProblem[] }> {
  const parse = (x: unknown) => {
    const parsed = schema.safeParse(x);
    return parsed.success
      ? { data: parsed.data }
      : { problems: parsed.error.issues.slice(0, MOST_PROBLEMS).map((i) => problemOf(i, where)) };
  };
  const isObject = (x: unknown): x is object => typeof x === "object" && x !== null && !Array.isArray(x);
  const lists = rows?.in === "rows" && isObject(content) ? (content as { rows?: unknown }).rows : content;
  if (!rows || !isObject(content) || !isObject(lists)) return parse(content);
  const found = await rowsOf(rows.tables, lists, rows.in === null ? where : `${where}${rows.in}.`);
  if ("problems" in found) return found;
  const short = Object.fromEntries(
    Object.entries(lists).map(([k, list]) => [k, k in rows.tables ? shortened(list, rows.most) : list]),
  );
  const head = parse(rows.in === null ? short : { ...content, rows: short });
  if ("problems" in head) return head;
  const data = head.data as Record<string, unknown>;
  return {
    data: (rows.in === null
      ? { ...data, ...found.rows }
      : { ...data, rows: { ...(data.rows as object), ...found.rows } }) as z.infer<S>,
  };
}

/** All ids of a content under this clinic's own; people and machines that are known here keep theirs. */
async function namesHere(
  ctx: Ctx,
  content: unknown,
  people: readonly { id: string; role: string }[],
  machines: readonly { id: string; name: string; family: string }[],
) {
  const [ownPeople, ownMachines] = [await peopleHere(ctx, people), await machinesHere(ctx, machines)];
  const names = new Map([...idsIn(content)].map((id) => [id, idHere(ctx.actor.clinicId, id)]));
  for (const [id, own] of [...ownPeople, ...ownMachines]) names.set(id, own);
  return { names, known: { people: new Set(ownPeople.values()), machines: new Set(ownMachines.values()) } };
}

/** What a client's file would write here. */
export async function planOfClient(ctx: Ctx, content: unknown, where = ""): Promise<ImportPlan> {
  const file = await fits(clientFile, content, where, {
    tables: CLIENT_TABLES,
    in: "rows",
    most: MOST_ROWS,
  });
  if ("problems" in file) return emptyPlan(file.problems);
  const loose = looseEnds(file.data.rows as Partial<Record<string, FileRow[]>>, CLIENT_TABLES, file.data);
  if (loose.length > 0) return emptyPlan(loose.map((p) => ({ ...p, at: `${where}${p.at}` })));
  const { names, known } = await namesHere(ctx, file.data, file.data.people, file.data.machines);
  const clientId = file.data.rows.client[0]?.id ?? "";
  const there = await hereOf(ctx, "client", [clientId, idHere(ctx.actor.clinicId, clientId)]);
  if (there.size > 0)
    return emptyPlan([
      {
        at: `${where}rows.client.0.id`,
        said: `${file.data.rows.client[0]?.name} is in this clinic already. A file is not read in over a client's own records.`,
      },
    ]);
  return clientPlan(file.data as ClientFile, names, known);
}

/** What a clinic's own part would write here: what is here under the same name stays as it is. */
export async function planOfClinic(ctx: Ctx, content: unknown, where = ""): Promise<ImportPlan> {
  const parsed = await fits(clinicFile, content, where, {
    tables: CLINIC_TABLES,
    in: "rows",
    most: MOST_OF_CLINIC,
  });
  if ("problems" in parsed) return emptyPlan(parsed.problems);
  const file = parsed.data as ClinicFile;
  const loose = looseEnds(file.rows as Partial<Record<string, FileRow[]>>, CLINIC_TABLES, {
    people: file.people,
    machines: [],
  });
  if (loose.length > 0) return emptyPlan(loose.map((p) => ({ ...p, at: `${where}${p.at}` })));
  const { names, known } = await namesHere(ctx, file, file.people, file.rows.machine);
  const here = renamed(file, names);
  const notes: string[] = [];
  const isNew: Record<string, (r: FileRow) => boolean> = {
    machine: (r) => !known.machines.has(r.id as string),
    machine_calibration: (r) => !known.machines.has(r.machine_id as string),
    machine_change: (r) => !known.machines.has(r.machine_id as string),
  };
  const taken = {
    cuff: new Set((await ctx.tx`select mass_kg from cuff`).map((r) => r.mass_kg)),
    exercise: new Set(
      (await ctx.tx`select distinct exercise_id from clinic_exercise`).map((r) => r.exercise_id),
    ),
    template: new Set(
      (await ctx.tx`select lower(name) as name from sheet_template where retired_at is null`).map(
        (r) => r.name,
      ),
    ),
    stance: new Set(
      (await ctx.tx`select distinct stance_id from stance_choice where episode_id is null`).map(
        (r) => r.stance_id,
      ),
    ),
    source: new Set((await ctx.tx`select distinct citation from source_check`).map((r) => r.citation)),
  };
  isNew.cuff = (r) => !taken.cuff.has(r.mass_kg as number);
  isNew.clinic_exercise = (r) => !taken.exercise.has(r.exercise_id);
  isNew.sheet_template = (r) => r.retired_at !== null || !taken.template.has(String(r.name).toLowerCase());
  isNew.stance_choice = (r) => !taken.stance.has(r.stance_id);
  isNew.source_check = (r) => !taken.source.has(r.citation);
  const tables = CLINIC_TABLE_NAMES.map((table) => {
    const all = here.rows[table] as FileRow[];
    const rows = all.filter((r) => isNew[table]?.(r) ?? true);
    if (rows.length < all.length)
      notes.push(
        `${all.length - rows.length} of ${all.length} in ${table.replaceAll("_", " ")} are here already and stay as they are.`,
      );
    return { table, key: "id", columns: Object.keys(CLINIC_TABLES[table].row.shape), rows };
  });
  return {
    people: here.people.filter((p) => !known.people.has(p.id)).map(({ id, name }) => ({ id, name })),
    tables,
    clients: [],
    problems: [],
    notes,
  };
}

/** What a list of machines would write here. */
export async function planOfMachines(ctx: Ctx, content: unknown): Promise<ImportPlan> {
  const file = await fits(machinesFile, content, "", {
    tables: { machines: CLINIC_TABLES.machine },
    in: null,
    most: MOST_MACHINES,
  });
  if ("problems" in file) return emptyPlan(file.problems);
  const loose = looseEnds(
    { machine: file.data.machines },
    { machine: CLINIC_TABLES.machine },
    { people: [], machines: [] },
  );
  if (loose.length > 0) return emptyPlan(loose);
  const own = await machinesHere(ctx, file.data.machines);
  const fresh = file.data.machines
    .filter((m) => !own.has(m.id))
    .map((m) => ({ ...m, id: idHere(ctx.actor.clinicId, m.id) }));
  return {
    ...emptyPlan(),
    tables: [machineRows(fresh)],
    notes: file.data.machines
      .filter((m) => own.has(m.id))
      .map((m) => `“${m.name}” is here already and stays as it is.`),
  };
}
