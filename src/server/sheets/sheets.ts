import "server-only";
import { type KeptLine, keptLine } from "@/core/sheet/line/keptLine";
import { type SheetLine, sheetLine } from "@/core/sheet/line/sheetInput";
import { type Ctx, once } from "../base/context";
import { Refused } from "../base/refused";

/** A line as it was saved: what was planned, and every figure that was computed for it then. */
export interface StoredLine {
  plan: SheetLine;
  /** null: saved before figures were kept */
  kept: KeptLine | null;
}

/** One version of a sheet. */
export interface SheetVersion {
  id: string;
  sheetId: string;
  name: string;
  place: "gym" | "home" | "bodyweight";
  version: number;
  origin: "desk" | "decision" | "standing_order";
  seconds: number;
  hardReps: number;
  kneecapChairS: number | null;
  lines: StoredLine[];
  by: string;
  at: Date;
}

/** The newest version of every sheet in force, in the order in which they were made. */
export const sheetsOf = (ctx: Ctx, episodeId: string): Promise<SheetVersion[]> =>
  once(ctx, `sheets ${episodeId}`, async () => {
    const rows = await ctx.tx`
      select distinct on (s.made_at, lower(s.name), s.id) v.*, s.name, s.place, p.name as by_name
      from sheet s join sheet_version v on v.sheet_id = s.id join person p on p.id = v.made_by
      where s.episode_id = ${episodeId} and s.retired_at is null
      order by s.made_at, lower(s.name), s.id, v.version desc`;
    return withLines(ctx, rows);
  });

/** Versions of a sheet, newest first. */
export async function versionsOf(ctx: Ctx, sheetId: string, most: number): Promise<SheetVersion[]> {
  const rows = await ctx.tx`
    select v.*, s.name, s.place, p.name as by_name
    from sheet s join sheet_version v on v.sheet_id = s.id join person p on p.id = v.made_by
    where s.id = ${sheetId} order by v.version desc limit ${most}`;
  return withLines(ctx, rows);
}

/** Versions by their ids, in no order. */
export async function versionsById(ctx: Ctx, ids: readonly string[]): Promise<Map<string, SheetVersion>> {
  if (ids.length === 0) return new Map();
  const rows = await ctx.tx`
    select v.*, s.name, s.place, p.name as by_name
    from sheet_version v join sheet s on s.id = v.sheet_id join person p on p.id = v.made_by
    where v.id = any(${[...new Set(ids)]}::uuid[])`;
  return new Map((await withLines(ctx, rows)).map((v) => [v.id, v]));
}

export async function versionById(ctx: Ctx, id: string): Promise<SheetVersion> {
  const found = (await versionsById(ctx, [id])).get(id);
  if (!found) throw new Refused("missing", "This sheet is not there. Reload the page.");
  return found;
}

// biome-ignore lint/suspicious/noExplicitAny: database rows, parsed at once
async function withLines(ctx: Ctx, rows: readonly any[]): Promise<SheetVersion[]> {
  if (rows.length === 0) return [];
  const lines = await ctx.tx`
    select version_id, plan, kept from sheet_line
    where version_id = any(${rows.map((r) => r.id)}::uuid[]) order by version_id, seq`;
  const byVersion = new Map<string, StoredLine[]>();
  for (const l of lines) {
    const all = byVersion.get(l.version_id) ?? [];
    all.push({ plan: sheetLine.parse(l.plan), kept: l.kept === null ? null : keptLine.parse(l.kept) });
    byVersion.set(l.version_id, all);
  }
  return rows.map((r) => ({
    id: r.id,
    sheetId: r.sheet_id,
    name: r.name,
    place: r.place,
    version: r.version,
    origin: r.origin,
    seconds: r.seconds,
    hardReps: r.hard_reps,
    kneecapChairS: r.kneecap_chair_s,
    lines: byVersion.get(r.id) ?? [],
    by: r.by_name,
    at: r.made_at,
  }));
}
