import { randomUUID } from "node:crypto";
import { PIECE_BYTES } from "@/core/exchange/pieces";
import type { Ctx } from "@/server/base/context";
import {
  type Announced,
  announce,
  importById,
  type StoredImport,
  takePiece,
} from "@/server/exchange/imports";
import type { ImportKind } from "@/server/exchange/plansOf";
import { daysLater, type TestClinic } from "./clinic";

/** A file as the page sends it: announced, then piece by piece. */
export async function readIn(ctx: Ctx, file: Omit<Announced, "bytes">, content: Buffer): Promise<void> {
  let { haveBytes } = await announce(ctx, { ...file, bytes: content.length });
  while (haveBytes < content.length) {
    const piece = content.subarray(haveBytes, haveBytes + PIECE_BYTES);
    ({ haveBytes } = await takePiece(ctx, file.id, haveBytes, piece));
  }
}

async function all(content: string | Uint8Array | AsyncIterable<Uint8Array>): Promise<Buffer> {
  if (typeof content === "string" || content instanceof Uint8Array) return Buffer.from(content as string);
  const parts: Uint8Array[] = [];
  for await (const p of content) parts.push(p);
  return Buffer.concat(parts);
}

/** Reads a file in as a draft and gives what was found in it. */
export async function readInto(
  clinic: TestClinic,
  kind: ImportKind,
  content: string | Uint8Array | AsyncIterable<Uint8Array>,
  o: { at?: Date; role?: "therapist" | "admin" } = {},
): Promise<StoredImport> {
  const id = randomUUID();
  const body = await all(content);
  const at = o.at ?? daysLater(20);
  return clinic.as(
    o.role ?? "therapist",
    async (ctx) => {
      await readIn(ctx, { id, kind, fileName: `a file.${kind}` }, body);
      return importById(ctx, id);
    },
    at,
  );
}
