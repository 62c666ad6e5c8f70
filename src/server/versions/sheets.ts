import "server-only";
import type { Row } from "postgres";
import { type KeptLine, keptLine } from "@/core/sheet/line/keptLine";
import { type SheetLine, sheetLine } from "@/core/sheet/line/sheetInput";
import { rowsOf } from "../base/batch";
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
    const rows = await rowsOf(
      ctx,
      "sheets",
      episodeId,
      (keys) => ctx.tx`
        select distinct on (s.made_at, lower(s.name), s.id) s.episode_id as of, v.*, s.name, s.place, p.name as by_name
        from sheet s join sheet_version v on v.sheet_id = s.id join person p on p.id = v.made_by
        where s.episode_id = any(${keys}::uuid[]) and s.retired_at is null
        order by s.made_at, lower(s.name), s.id, v.version desc`,
    );
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

export async function versionById(ctx: Ctx, id: string): Promise<SheetVersion> {
  const rows = await rowsOf(
    ctx,
    "versions",
    id,
    (keys) => ctx.tx`
      select v.id as of, v.*, s.name, s.place, p.name as by_name
      from sheet_version v join sheet s on s.id = v.sheet_id join person p on p.id = v.made_by
      where v.id = any(${keys}::uuid[])`,
  );
  const [found] = await withLines(ctx, rows);
  if (!found) throw new Refused("missing", "This sheet is not there. Reload the page.");
  return found;
}

async function linesOf(ctx: Ctx, versionId: string): Promise<StoredLine[]> {
  const rows = await rowsOf(
    ctx,
    "lines",
    versionId,
    (keys) => ctx.tx`
      select version_id as of, plan, kept from sheet_line
      where version_id = any(${keys}::uuid[]) order by version_id, seq`,
  );
  return rows.map((l) => ({
    plan: sheetLine.parse(l.plan),
    kept: l.kept === null ? null : keptLine.parse(l.kept),
  }));
}

async function withLines(ctx: Ctx, rows: readonly Row[]): Promise<SheetVersion[]> {
  return Promise.all(
    rows.map(async (r) => ({
      id: r.id,
      sheetId: r.sheet_id,
      name: r.name,
      place: r.place,
      version: r.version,
      origin: r.origin,
      seconds: r.seconds,
      hardReps: r.hard_reps,
      kneecapChairS: r.kneecap_chair_s,
      lines: await linesOf(ctx, r.id),
      by: r.by_name,
      at: r.made_at,
    })),
  );
}
