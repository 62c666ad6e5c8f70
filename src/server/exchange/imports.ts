import "server-only";
import type { CsvMapping } from "@/core/exchange/csv/fields";
import { emptyPlan, type ImportSummary, summaryOf, together } from "@/core/exchange/plan";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { mustBeSame, Refused } from "../base/refused";
import { idIsTaken } from "../base/sameId";
import { csvMapping, guessed, headOf, type ImportKind, isCsv, plansOf, type TableHead } from "./plansOf";
import { isKept, keepParts, MOST_BYTES } from "./uploads";
import { writeRows } from "./writeRows";

/** A file that was read in: a draft, in force, taken back, or thrown away. */
export interface StoredImport {
  id: string;
  kind: ImportKind;
  fileName: string;
  bytes: number;
  mapping: CsvMapping;
  by: string;
  at: Date;
  state: "draft" | "confirmed" | "undone" | "thrown away";
  confirmedBy: string | null;
  confirmedAt: Date | null;
  summary: ImportSummary | null;
}

const rows = (ctx: Ctx, id: string | null) => ctx.tx`
  select i.*, p.name, c.name as confirmed_name from import i join person p on p.id = i.made_by
  left join person c on c.id = i.confirmed_by
  where ${id}::uuid is null or i.id = ${id} order by i.made_at desc, i.id limit 100`;

export async function importsOf(ctx: Ctx): Promise<StoredImport[]> {
  mustMay(ctx, "client.read");
  return (await rows(ctx, null)).map(stored);
}

export async function importById(ctx: Ctx, id: string): Promise<StoredImport> {
  mustMay(ctx, "client.read");
  const [r] = await rows(ctx, id);
  if (!r) throw new Refused("missing", "There is no such file here. Go back to Files.");
  return stored(r);
}

// biome-ignore lint/suspicious/noExplicitAny: a database row, parsed at once
const stored = (r: any): StoredImport => ({
  id: r.id,
  kind: r.kind,
  fileName: r.file_name,
  bytes: r.bytes,
  mapping: csvMapping.parse(r.mapping),
  by: r.name,
  at: r.made_at,
  state: r.undone_at ? (r.confirmed_at ? "undone" : "thrown away") : r.confirmed_at ? "confirmed" : "draft",
  confirmedBy: r.confirmed_name,
  confirmedAt: r.confirmed_at,
  summary: r.summary as ImportSummary | null,
});

/** Keeps a file as a draft and looks what it would write. Nothing of it is in force. Sent twice, it is kept once. */
export async function readIn(
  ctx: Ctx,
  input: { id: string; kind: ImportKind; fileName: string },
  body: AsyncIterable<Uint8Array>,
): Promise<void> {
  mustMay(ctx, "import.make");
  const [fresh] = await ctx.tx`
    insert into import (id, clinic_id, kind, file_name, bytes, mapping, made_by, made_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${input.kind}, ${input.fileName}, 0, ${ctx.tx.json({})},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict (id) do nothing returning id`;
  if (!fresh) return mustBeTheFile(ctx, input, body);
  const most = isCsv(input.kind)
    ? MOST_BYTES.table
    : input.kind === "clinic"
      ? MOST_BYTES.zip
      : MOST_BYTES.json;
  const bytes = await keepParts(ctx, input.id, body, most);
  const mapping = isCsv(input.kind) ? await guessed(ctx, input.id, input.kind) : {};
  await ctx.tx`update import set mapping = ${ctx.tx.json(mapping)}, bytes = ${bytes} where id = ${input.id}`;
  await look(ctx, input.id);
  await audit(ctx, "import.make", "import", input.id, null, { file: input.fileName, kind: input.kind });
}

/** The same file under the same id is one; another is refused. What was decided on keeps no file to compare with. */
async function mustBeTheFile(
  ctx: Ctx,
  input: { id: string; kind: ImportKind; fileName: string },
  body: AsyncIterable<Uint8Array>,
): Promise<void> {
  const [known] = await ctx.tx`select kind, file_name from import where id = ${input.id}`;
  if (!known) throw idIsTaken();
  const isSame =
    known.kind === input.kind &&
    known.file_name === input.fileName &&
    (await isKept(ctx, input.id, body)) !== false;
  mustBeSame(isSame, "import.repeat", `${known.file_name} was read in under this id before`);
}

/** The table behind a draft, for choosing what stands in which column. */
export const tableHead = async (ctx: Ctx, i: StoredImport): Promise<TableHead | null> =>
  isCsv(i.kind) && i.state === "draft" ? headOf(ctx, i.id) : null;

/** Other columns for a table; it is looked through again. */
export async function remap(ctx: Ctx, id: string, mapping: CsvMapping): Promise<void> {
  mustMay(ctx, "import.make");
  const i = await mustBeDraft(ctx, id);
  if (!isCsv(i.kind)) throw new InputError("mapping", "Only a table has columns to choose.");
  await ctx.tx`update import set mapping = ${ctx.tx.json(mapping)} where id = ${id}`;
  await look(ctx, id);
}

async function mustBeDraft(ctx: Ctx, id: string): Promise<StoredImport> {
  await ctx.tx`select id from import where id = ${id} for update`;
  const i = await importById(ctx, id);
  if (i.state !== "draft")
    throw new Refused("conflict", "This file is no draft any more. Reload to see what became of it.");
  return i;
}

class Rehearsed extends Error {}

/** Writes everything and takes it back at once: what the records themselves would refuse is found before anybody decides. */
async function look(ctx: Ctx, id: string): Promise<void> {
  let summary: ImportSummary = summaryOf(emptyPlan());
  try {
    await ctx.tx.savepoint(async (tx) => {
      summary = await writeAll({ ...ctx, tx: tx as unknown as Ctx["tx"] }, id);
      throw new Rehearsed();
    });
  } catch (error) {
    if (error instanceof InputError)
      summary = summaryOf(
        emptyPlan(error.problems.map((p) => ({ at: p.field || "file", sentence: p.sentence }))),
      );
    else if (!(error instanceof Rehearsed)) throw error;
  }
  await ctx.tx`update import set summary = ${ctx.tx.json(summary as never)} where id = ${id}`;
}

const MOST_PROBLEMS = 200;

/** Writes what a draft holds, piece by piece, as long as nothing is wrong with it; gives what it came to. */
async function writeAll(ctx: Ctx, id: string): Promise<ImportSummary> {
  const i = await importById(ctx, id);
  const sums: ImportSummary[] = [];
  let seq = 0;
  let hasProblems = false;
  for await (const plan of plansOf(ctx, { id, kind: i.kind, mapping: i.mapping, madeAt: i.at })) {
    hasProblems ||= plan.problems.length > 0;
    if (!hasProblems) seq = await writeRows(ctx, id, plan, seq);
    sums.push(summaryOf(plan));
    if (sums.flatMap((s) => s.problems).length >= MOST_PROBLEMS) break;
  }
  const counts: Record<string, number> = {};
  for (const s of sums)
    for (const [table, n] of Object.entries(s.counts)) counts[table] = (counts[table] ?? 0) + n;
  const all = together(
    sums.map((s) => ({
      ...emptyPlan(s.problems.slice(0, MOST_PROBLEMS)),
      clients: s.clients,
      notes: s.notes,
    })),
  );
  return { ...summaryOf(all), counts };
}

/** A therapist confirms what a draft means: all of it is written, or nothing. */
export async function confirmImport(ctx: Ctx, id: string): Promise<void> {
  mustMay(ctx, "import.confirm");
  const i = await mustBeDraft(ctx, id);
  const summary = await writeAll(ctx, id);
  const [first] = summary.problems;
  if (first)
    throw new Refused(
      "conflict",
      `Something is wrong with this file now (${first.at}: ${first.sentence}) Nothing was written.`,
    );
  await ctx.tx`
    update import set confirmed_by = ${ctx.actor.personId}, confirmed_at = ${ctx.now},
      summary = ${ctx.tx.json(summary as never)} where id = ${id}`;
  await ctx.tx`delete from import_part where import_id = ${id}`;
  await audit(ctx, "import.confirm", "import", id, null, { file: i.fileName, rows: summary.counts });
}

/** Throws a draft away, or takes back all that a confirmed file brought, as long as nobody has worked with it. */
export async function undoImport(
  ctx: Ctx,
  id: string,
  /** what the person saw of it: a draft that somebody confirmed meanwhile is not taken back unasked */
  seen: "draft" | "confirmed",
): Promise<void> {
  await ctx.tx`select id from import where id = ${id} for update`;
  const i = await importById(ctx, id);
  mustMay(ctx, i.state === "confirmed" ? "import.confirm" : "import.make");
  if (i.state !== "draft" && i.state !== "confirmed")
    throw new Refused("conflict", "This file was taken back or thrown away before.");
  if (i.state !== seen)
    throw new Refused("conflict", "Somebody confirmed this file meanwhile. Reload to see what it brought.");
  if (i.state === "confirmed")
    try {
      await ctx.tx.savepoint((tx) => tx`select undo_import(${id})`);
    } catch (error) {
      if ((error as { code?: string }).code !== "23503") throw error;
      throw new Refused(
        "conflict",
        "Somebody has worked with what this file brought, so it cannot be taken back as a whole. Close the episodes, or put the machines away, instead.",
      );
    }
  await ctx.tx`update import set undone_by = ${ctx.actor.personId}, undone_at = ${ctx.now} where id = ${id}`;
  await ctx.tx`delete from import_part where import_id = ${id}`;
  await audit(ctx, i.state === "confirmed" ? "import.undo" : "import.discard", "import", id, null, {
    file: i.fileName,
  });
}
