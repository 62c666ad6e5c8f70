import "server-only";
import { createHash } from "node:crypto";
import { once } from "node:events";
import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { InputError } from "@/core/units/inputError";
import type { Ctx } from "../base/context";

const PART_BYTES = 1_048_576;

/** The longest file of each kind; an archive is kept and read piece by piece, about a thousand clients of it. */
export const MOST_BYTES = { table: 8_000_000, json: 32_000_000, zip: 2_000_000_000 } as const;

const megabytes = (n: number): string => `${Math.round(n / 1_000_000)} MB`;

/** Keeps what is sent in parts, as it comes; reading ends as soon as it is longer than allowed. Gives its length. */
export async function keepParts(
  ctx: Ctx,
  importId: string,
  body: AsyncIterable<Uint8Array>,
  mostBytes: number,
): Promise<number> {
  let part = 0;
  let bytes = 0;
  let waiting: Uint8Array[] = [];
  let length = 0;
  const write = async (): Promise<void> => {
    if (length === 0) return;
    part += 1;
    await ctx.tx`
      insert into import_part (import_id, clinic_id, part, content)
      values (${importId}, ${ctx.actor.clinicId}, ${part}, ${Buffer.concat(waiting)})`;
    waiting = [];
    length = 0;
  };
  for await (const chunk of body) {
    for (let i = 0; i < chunk.length; i += PART_BYTES) {
      const piece = chunk.subarray(i, i + PART_BYTES);
      bytes += piece.length;
      if (bytes > mostBytes)
        throw new InputError(
          "file",
          `This file is larger than ${megabytes(mostBytes)}. Take a smaller part out and read that in.`,
        );
      if (length + piece.length > PART_BYTES) await write();
      waiting.push(piece);
      length += piece.length;
    }
  }
  await write();
  if (bytes === 0) throw new InputError("file", "This file is empty.");
  return bytes;
}

async function* partsOf(ctx: Ctx, importId: string): AsyncGenerator<Buffer> {
  for (let part = 1; ; part++) {
    const [r] =
      await ctx.tx`select content from import_part where import_id = ${importId} and part = ${part}`;
    if (!r) return;
    yield r.content;
  }
}

/** Whether a body is the file that is kept; null: it is kept no more. Both are read piece by piece. */
export async function isKept(
  ctx: Ctx,
  importId: string,
  body: AsyncIterable<Uint8Array>,
): Promise<boolean | null> {
  const sum = async (pieces: AsyncIterable<Uint8Array>, mostBytes: number) => {
    const hash = createHash("sha256");
    let bytes = 0;
    for await (const p of pieces) {
      hash.update(p);
      bytes += p.length;
      // longer than the other: it is another, however long it goes on
      if (bytes > mostBytes) break;
    }
    return { bytes, digest: hash.digest("hex") };
  };
  const kept = await sum(partsOf(ctx, importId), Number.POSITIVE_INFINITY);
  if (kept.bytes === 0) return null;
  return kept.digest === (await sum(body, kept.bytes)).digest;
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
