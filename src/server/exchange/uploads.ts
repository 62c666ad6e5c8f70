import "server-only";
import { once } from "node:events";
import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { type Arrived, PART_BYTES, PIECE_BYTES } from "@/core/exchange/pieces";
import { InputError } from "@/core/units/inputError";
import type { Ctx } from "../base/context";

/** The longest file of each kind; an archive is kept and read piece by piece, about a thousand clients of it. */
export const MOST_BYTES = { table: 8_000_000, json: 32_000_000, zip: 2_000_000_000 } as const;

/** Bytes of one piece in memory; reading ends as soon as it is longer than a piece may be. */
export async function pieceOf(body: AsyncIterable<Uint8Array>): Promise<Buffer> {
  const all: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of body) {
    length += chunk.length;
    if (length > PIECE_BYTES)
      throw new InputError("file", "This piece of a file is too long. Send it again.");
    all.push(chunk);
  }
  return Buffer.concat(all);
}

const partNo = (from: number): number => 1 + Math.floor(from / PART_BYTES);

/** Keeps a piece behind what is here. */
export async function keepPiece(ctx: Ctx, importId: string, from: number, piece: Buffer): Promise<void> {
  for (let i = 0; i < piece.length; i += PART_BYTES)
    await ctx.tx`
      insert into import_part (import_id, clinic_id, part, content)
      values (${importId}, ${ctx.actor.clinicId}, ${partNo(from + i)}, ${piece.subarray(i, i + PART_BYTES)})`;
}

/** Whether a piece is what is kept at its place. */
export async function isKept(ctx: Ctx, importId: string, from: number, piece: Buffer): Promise<boolean> {
  const kept = await ctx.tx`
    select content from import_part where import_id = ${importId}
      and part between ${partNo(from)} and ${partNo(from + Math.max(0, piece.length - 1))} order by part`;
  return Buffer.concat(kept.map((r) => r.content as Buffer)).equals(piece);
}

/** What is here of a file. */
export async function arrivedOf(ctx: Ctx, importId: string): Promise<Arrived> {
  const rows = await ctx.tx`
    select octet_length(content) as bytes, encode(sha256(content), 'hex') as digest
    from import_part where import_id = ${importId} order by part`;
  return {
    haveBytes: rows.reduce((sum, r) => sum + (r.bytes as number), 0),
    digests: rows.map((r) => r.digest as string),
  };
}

async function* partsOf(ctx: Ctx, importId: string): AsyncGenerator<Buffer> {
  for (let part = 1; ; part++) {
    const [r] =
      await ctx.tx`select content from import_part where import_id = ${importId} and part = ${part}`;
    if (!r) return;
    yield r.content;
  }
}

/** A kept file as text; anything but UTF-8 is refused. */
export async function textOf(ctx: Ctx, importId: string): Promise<string> {
  const parts: Buffer[] = [];
  for await (const p of partsOf(ctx, importId)) parts.push(p);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(Buffer.concat(parts));
  } catch {
    throw new InputError("file", "This file is not written in UTF-8. Save it as UTF-8 and send it again.");
  }
}

/** A kept file on disk, until it is dropped. */
export async function onDisk(
  ctx: Ctx,
  importId: string,
): Promise<{ file: string; drop: () => Promise<void> }> {
  const folder = await mkdtemp(path.join(tmpdir(), "bexlo-"));
  const drop = () => rm(folder, { recursive: true, force: true });
  try {
    const file = path.join(folder, "upload");
    const out = createWriteStream(file, { mode: 0o600 });
    for await (const p of partsOf(ctx, importId)) if (!out.write(p)) await once(out, "drain");
    out.end();
    await once(out, "close");
    return { file, drop };
  } catch (error) {
    await drop();
    throw error;
  }
}
