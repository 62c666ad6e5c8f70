import "server-only";
import type { FileProblem } from "@/core/exchange/clientFile";
import type { CsvMapping } from "@/core/exchange/csv/fields";
import { type Arrived, PIECE_BYTES } from "@/core/exchange/pieces";
import { emptyPlan, type ImportSummary, summaryOf, together } from "@/core/exchange/plan";
import { fileSize } from "@/core/units/fileSize";
import { InputError } from "@/core/units/inputError";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { mustBeSame, Refused } from "../base/refused";
import { idIsTaken } from "../base/sameId";
import { csvMapping, guessed, headOf, type ImportKind, isCsv, plansOf, type TableHead } from "./plansOf";
import { arrivedOf, isKept, keepPiece, MOST_BYTES } from "./uploads";
import { writeRows } from "./writeRows";

/** A file that was read in: on its way, a draft, in force, taken back, or thrown away. */
export interface StoredImport {
  id: string;
  kind: ImportKind;
  fileName: string;
  bytes: number;
  /** of a file on its way: how much of it is here */
  haveBytes: number;
  mapping: CsvMapping;
  by: string;
  at: Date;
  state: "arriving" | "draft" | "confirmed" | "undone" | "thrown_away";
  confirmedBy: string | null;
  confirmedAt: Date | null;
  summary: ImportSummary | null;
}

const rows = (ctx: Ctx, id: string | null) => ctx.tx`
  select i.*, i.bytes::float8 as bytes, p.name, c.name as confirmed_name, case when i.is_here then i.bytes else
    (select coalesce(sum(octet_length(content)), 0) from import_part where import_id = i.id) end::float8 as have
  from import i join person p on p.id = i.made_by
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
  haveBytes: r.have,
  mapping: csvMapping.parse(r.mapping),
  by: r.name,
  at: r.made_at,
  state: r.undone_at
    ? r.confirmed_at
      ? "undone"
      : "thrown_away"
    : r.confirmed_at
      ? "confirmed"
      : r.is_here
        ? "draft"
        : "arriving",
  confirmedBy: r.confirmed_name,
  confirmedAt: r.confirmed_at,
  summary: keptSummary(r.summary),
});

const mostBytes = (kind: ImportKind): number =>
  isCsv(kind) ? MOST_BYTES.table : kind === "clinic" ? MOST_BYTES.zip : MOST_BYTES.json;

/** What is said of a file before its first piece. */
export interface Announced {
  id: string;
  kind: ImportKind;
  fileName: string;
  bytes: number;
}

/**
 * A file is announced, then comes in pieces, and is looked through when the last one is here; until a person confirms it,
 * nothing of it is in force. Announced again under the same id it goes on where it was.
 */
export async function announce(ctx: Ctx, file: Announced): Promise<{ haveBytes: number }> {
  mustMay(ctx, "import.make");
  const most = mostBytes(file.kind);
  if (file.bytes > most)
    throw new InputError(
      "file",
      `This file is larger than ${fileSize(most)}. Take a smaller part out and read that in.`,
    );
  if (file.bytes === 0) throw new InputError("file", "This file is empty.");
  const [fresh] = await ctx.tx`
    insert into import (id, clinic_id, kind, file_name, bytes, mapping, made_by, made_at, is_here)
    values (${file.id}, ${ctx.actor.clinicId}, ${file.kind}, ${file.fileName}, ${file.bytes}, ${ctx.tx.json({})},
      ${ctx.actor.personId}, ${ctx.now}, false)
    on conflict (id) do nothing returning id`;
  if (fresh) return { haveBytes: 0 };
  const [r] = await rows(ctx, file.id);
  if (!r) throw idIsTaken();
  const known = stored(r);
  const isSame = known.kind === file.kind && known.fileName === file.fileName && known.bytes === file.bytes;
  mustBeSame(isSame, "import.repeat", `${known.fileName} was read in under this id before`);
  return { haveBytes: known.haveBytes };
}

/** What is here of a file on its way. */
export async function arrived(ctx: Ctx, id: string): Promise<Arrived> {
  mustMay(ctx, "import.make");
  await importById(ctx, id);
  return arrivedOf(ctx, id);
}

/** Takes the next piece of a file; what came before is compared and kept once. With the last one it is looked through. */
export async function takePiece(
  ctx: Ctx,
  id: string,
  fromByte: number,
  piece: Buffer,
): Promise<{ haveBytes: number }> {
  mustMay(ctx, "import.make");
  await ctx.tx`select id from import where id = ${id} for update`;
  const i = await importById(ctx, id);
  const whole = { haveBytes: i.bytes };
  // what was decided on keeps no file to compare with
  if (i.state !== "arriving" && i.state !== "draft") return whole;
  if (fromByte < i.haveBytes) {
    const isSame = await isKept(ctx, id, fromByte, piece);
    mustBeSame(isSame, "import.repeat", `${i.fileName} was read in under this id before`);
    return { haveBytes: i.haveBytes };
  }
  const end = fromByte + piece.length;
  if (fromByte > i.haveBytes)
    throw new Refused(
      "conflict",
      "A piece of this file is missing before this one. Send it again from there.",
    );
  if (end > i.bytes || (end < i.bytes && piece.length !== PIECE_BYTES))
    throw new InputError("file", "This piece does not fit the file that was announced. Begin anew.");
  await keepPiece(ctx, id, fromByte, piece);
  if (end < i.bytes) return { haveBytes: end };
  await ctx.tx`update import set is_here = true where id = ${id}`;
  await look(ctx, id, async () => {
    if (!isCsv(i.kind)) return;
    await ctx.tx`update import set mapping = ${ctx.tx.json(await guessed(ctx, id, i.kind))} where id = ${id}`;
  });
  await audit(ctx, "import.make", "import", id, null, { file: i.fileName, kind: i.kind });
  return whole;
}

/** The table behind a draft, for choosing what stands in which column; null where there is none that can be read. */
export async function tableHead(ctx: Ctx, i: StoredImport): Promise<TableHead | null> {
  if (!isCsv(i.kind) || i.state !== "draft") return null;
  try {
    return await headOf(ctx, i.id);
  } catch (error) {
    // the summary of the draft says what is wrong with it
    if (error instanceof InputError) return null;
    throw error;
  }
}

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

/** A summary as it was kept; earlier ones hold what is wrong in words. */
function keptSummary(kept: unknown): ImportSummary | null {
  const summary = kept as ImportSummary | null;
  const problems = (summary?.problems ?? []) as (Partial<FileProblem> & { at: string; sentence?: string })[];
  return (
    summary && {
      ...summary,
      problems: problems.map(({ at, said, sentence = "" }) => ({ at, said: said ?? sentence })),
    }
  );
}

class Rehearsed extends Error {}

/** Writes everything and takes it back at once: what the records themselves would refuse is found before anybody decides. */
async function look(ctx: Ctx, id: string, before?: () => Promise<void>): Promise<void> {
  let summary: ImportSummary = summaryOf(emptyPlan());
  try {
    await before?.();
    await ctx.tx.savepoint(async (tx) => {
      summary = await writeAll({ ...ctx, tx: tx as unknown as Ctx["tx"] }, id);
      throw new Rehearsed();
    });
  } catch (error) {
    if (error instanceof InputError)
      summary = summaryOf(
        emptyPlan(error.problems.map((p) => ({ at: p.field || "file", said: p.sentence }))),
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
      `Something is wrong with this file now (${first.at}: ${sayPlainly(first.said)}) Nothing was written.`,
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
  seen: "arriving" | "draft" | "confirmed",
): Promise<void> {
  await ctx.tx`select id from import where id = ${id} for update`;
  const i = await importById(ctx, id);
  mustMay(ctx, i.state === "confirmed" ? "import.confirm" : "import.make");
  if (i.state === "undone" || i.state === "thrown_away")
    throw new Refused("conflict", "This file was taken back or thrown away before.");
  if (i.state !== seen)
    throw new Refused("conflict", "This file is another step on meanwhile. Reload to see what it brought.");
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
