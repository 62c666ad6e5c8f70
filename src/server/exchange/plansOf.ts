import "server-only";
import Papa from "papaparse";
import { z } from "zod";
import { type CsvMapping, guessMapping, Line } from "@/core/exchange/csv/fields";
import { CSV_FIELDS, type CsvKind } from "@/core/exchange/csv/kinds";
import { findClient, type KnownClient } from "@/core/exchange/csv/known";
import { readClients } from "@/core/exchange/csv/readClients";
import { readMachines } from "@/core/exchange/csv/readMachines";
import { readTests, testKey } from "@/core/exchange/csv/readTests";
import { type PastHere, readVisits } from "@/core/exchange/csv/readVisits";
import { fhirIn, readBundle } from "@/core/exchange/fhir/bundleIn";
import type { Making } from "@/core/exchange/newRows";
import { emptyPlan, type ImportPlan } from "@/core/exchange/plan";
import { InputError } from "@/core/units/inputError";
import { readJson } from "@/core/units/readJson";
import { type Ctx, dayOf, today } from "../base/context";
import { idHere } from "./identity";
import { fits, planOfClient, planOfClinic, planOfMachines } from "./jsonIn";
import { onDisk, textOf } from "./uploads";
import { textsOfZip } from "./zipIn";

export const IMPORT_KINDS = [
  "client",
  "clinic",
  "machines",
  "fhir",
  "csv_clients",
  "csv_machines",
  "csv_tests",
  "csv_visits",
] as const;
export type ImportKind = (typeof IMPORT_KINDS)[number];
export const isCsv = (kind: ImportKind): kind is CsvKind => kind.startsWith("csv_");

/** Which column of a table is which field, by its number. */
export const csvMapping = z.record(z.string().max(40), z.number().int().min(0).max(200).nullable());

const MOST_LINES = 20_000;

/** The first lines of a table, and what stands in which column as far as the headers say. */
export interface TableHead {
  headers: string[];
  first: string[][];
  lines: number;
}

/** A row of a table with the line of the file in which it begins. */
interface TableRow {
  no: number;
  cells: string[];
}

function tableOf(text: string): TableRow[] {
  const plain = text.replace(/^\uFEFF/, "");
  const rows: TableRow[] = [];
  let [at, no] = [0, 1];
  let isOver = false;
  Papa.parse<string[]>(plain, {
    step: ({ data, meta }, parser) => {
      const isEmpty = data.every((c) => c.trim() === "");
      if (!isEmpty) rows.push({ no, cells: data });
      // breaks within quotes are lines of the file too
      no += breaksIn(plain, at, meta.cursor);
      at = meta.cursor;
      if (rows.length <= MOST_LINES + 1) return;
      isOver = true;
      parser.abort();
    },
  });
  if (isOver)
    throw new InputError("file", `More than ${MOST_LINES} lines are not read in at once. Part the table.`);
  if (rows.length < 2) throw new InputError("file", "This table has no line under its header.");
  if ((rows[0]?.cells.length ?? 0) > 200)
    throw new InputError("file", "This table has more than 200 columns.");
  return rows;
}

/** Line breaks between two places of a text. */
function breaksIn(text: string, from: number, to: number): number {
  let n = 0;
  for (let i = from; i < to; i++) {
    const c = text.charCodeAt(i);
    if (c === 10 || (c === 13 && text.charCodeAt(i + 1) !== 10)) n += 1;
  }
  return n;
}

export async function headOf(ctx: Ctx, importId: string): Promise<TableHead> {
  const [head, ...rows] = tableOf(await textOf(ctx, importId));
  const headers = head?.cells ?? [];
  const lines = rows.map((r) => r.cells);
  return {
    headers: headers.map((h) => h.trim().slice(0, 80)),
    first: lines.slice(0, 5).map((l) => headers.map((_, i) => (l[i] ?? "").slice(0, 80))),
    lines: lines.length,
  };
}

/** What the headers of a table say is in which column. */
export const guessed = async (ctx: Ctx, importId: string, kind: CsvKind): Promise<CsvMapping> =>
  guessMapping(CSV_FIELDS[kind], (await headOf(ctx, importId)).headers);

/** What a kept file would write, in pieces: a clinic's archive comes client by client. */
export async function* plansOf(
  ctx: Ctx,
  { id, kind, mapping, madeAt }: { id: string; kind: ImportKind; mapping: CsvMapping; madeAt: Date },
): AsyncGenerator<ImportPlan> {
  if (kind === "clinic") {
    yield* plansOfArchive(ctx, id);
    return;
  }
  const text = await textOf(ctx, id);
  if (isCsv(kind)) {
    yield await planOfTable(ctx, kind, text, mapping, madeAt);
    return;
  }
  const content = readJson(text, "This file");
  if (kind === "client") yield await planOfClient(ctx, content);
  else if (kind === "machines") yield await planOfMachines(ctx, content);
  else {
    const bundle = await fits(fhirIn, content);
    yield "problems" in bundle
      ? emptyPlan(bundle.problems)
      : readBundle(bundle.data, making(ctx, "fhir", madeAt), await hereBy(ctx));
  }
}

const ARCHIVED = /^(clinic\.json|clients\/[0-9]{1,6}\/client\.json)$/;

async function* plansOfArchive(ctx: Ctx, id: string): AsyncGenerator<ImportPlan> {
  let seen = 0;
  const clients = new Map<string, string>();
  for await (const { name, text } of archiveOf(ctx, id)) {
    seen += 1;
    const content = readJson(text, name);
    const plan =
      name === "clinic.json"
        ? await planOfClinic(ctx, content, `${name}: `)
        : await planOfClient(ctx, content, `${name}: `);
    for (const c of plan.clients) {
      const twice = clients.get(c.id);
      if (twice) plan.problems.push({ at: name, said: `The same client stands in ${twice} too.` });
      clients.set(c.id, name);
    }
    yield plan;
  }
  if (seen === 0)
    yield emptyPlan([{ at: "file", said: "There is neither a clinic nor a client in this archive." }]);
}

async function* archiveOf(ctx: Ctx, id: string): AsyncGenerator<{ name: string; text: string }> {
  const { file, drop } = await onDisk(ctx, id);
  try {
    yield* textsOfZip(file, (name) => ARCHIVED.test(name));
  } finally {
    await drop();
  }
}

const making = (ctx: Ctx, what: string, at: Date): Making & { today: string } => ({
  by: ctx.actor.personId,
  at: at.toISOString(),
  idOf: (text) => idHere(ctx.actor.clinicId, `${what} ${text}`),
  today: today(ctx),
});

/** Whether somebody of a name and year of birth is a client here. */
async function hereBy(ctx: Ctx): Promise<(name: string, birthYear: number) => boolean> {
  const rows = await ctx.tx`select lower(name) as name, birth_year from client`;
  const all = new Set(rows.map((r) => `${r.name} ${r.birth_year}`));
  return (name, birthYear) => all.has(`${name.toLowerCase()} ${birthYear}`);
}

async function planOfTable(
  ctx: Ctx,
  kind: CsvKind,
  text: string,
  mapping: CsvMapping,
  at: Date,
): Promise<ImportPlan> {
  const [, ...rows] = tableOf(text);
  const lines = rows.map(({ no, cells }) => ({ no, line: new Line(cells, mapping, CSV_FIELDS[kind]) }));
  const m = making(ctx, kind, at);
  if (kind === "csv_clients") return readClients(lines, m, await hereBy(ctx));
  if (kind === "csv_machines") {
    const names = new Set((await ctx.tx`select lower(name) as name from machine`).map((r) => r.name));
    return readMachines(lines, m, (name) => names.has(name.toLowerCase()));
  }
  const known = await knownClients(ctx);
  return kind === "csv_tests"
    ? readTests(lines, m, (line) => findClient(line, known), await standingTests(ctx, known))
    : readVisits(lines, m, (line) => findClient(line, known), await standingVisits(ctx, known));
}

/** How often each result stands for these clients, by its content. */
async function standingTests(ctx: Ctx, known: readonly KnownClient[]): Promise<Map<string, number>> {
  const episodes = known.map((c) => c.episodeId);
  const rows = await ctx.tx`
    select episode_id, movement as what, side, torque_nm as value, knee_flexion_deg as deg, taken_at from strength_test
    where episode_id = any(${episodes}::uuid[]) and voided_at is null
    union all
    select episode_id, concat_ws(' ', kind, test_name), side, value, null, taken_at from measurement
    where episode_id = any(${episodes}::uuid[]) and voided_at is null`;
  const all = new Map<string, number>();
  for (const r of rows) {
    const { episode_id: episodeId, what, side, value, deg } = r;
    const key = testKey({ episodeId, what, side, value, deg, on: dayOf(ctx, r.taken_at) });
    all.set(key, (all.get(key) ?? 0) + 1);
  }
  return all;
}

/** On which days something was done with these clients, and what earlier files brought. */
async function standingVisits(ctx: Ctx, known: readonly KnownClient[]): Promise<PastHere> {
  const episodes = known.map((c) => c.episodeId);
  const visits = await ctx.tx`
    select episode_id, started_at from visit where episode_id = any(${episodes}::uuid[])`;
  const days = new Set(visits.map((v) => `${v.episode_id} ${dayOf(ctx, v.started_at)}`));
  const versions = await ctx.tx`
    select w.sheet_id, max(w.version) as newest from sheet_version w join sheet s on s.id = w.sheet_id
    where s.episode_id = any(${episodes}::uuid[]) group by w.sheet_id`;
  const newest = new Map(versions.map((v) => [v.sheet_id as string, v.newest as number]));
  return {
    isDone: (episodeId, on) => days.has(`${episodeId} ${on}`),
    versionOf: (sheetId) => newest.get(sheetId) ?? 0,
  };
}

async function knownClients(ctx: Ctx): Promise<KnownClient[]> {
  const rows = await ctx.tx`
    select c.id, e.id as episode_id, c.name, c.birth_year, body_mass_of(c) as body_mass_kg, c.height_m, c.shank_length_m, e.side, e.began_on
    from client c join episode e on e.client_id = c.id where e.closed_on is null`;
  return rows.map((r) => ({
    clientId: r.id,
    episodeId: r.episode_id,
    name: r.name,
    birthYear: r.birth_year,
    bodyMassKg: r.body_mass_kg,
    shankLengthM: r.shank_length_m ?? 0.246 * r.height_m,
    side: r.side,
    beganOn: r.began_on,
  }));
}
