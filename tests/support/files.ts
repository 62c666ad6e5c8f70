import { randomUUID } from "node:crypto";
import { importById, readIn, type StoredImport } from "@/server/exchange/imports";
import type { ImportKind } from "@/server/exchange/plansOf";
import { daysLater, type TestClinic } from "./clinic";

/** Bytes as a request brings them. */
export async function* bytes(content: string | Uint8Array): AsyncGenerator<Uint8Array> {
  yield typeof content === "string" ? new TextEncoder().encode(content) : content;
}

/** Reads a file in as a draft and gives what was found in it. */
export async function readInto(
  clinic: TestClinic,
  kind: ImportKind,
  content: string | Uint8Array | AsyncIterable<Uint8Array>,
  o: { at?: Date; role?: "therapist" | "admin" } = {},
): Promise<StoredImport> {
  const id = randomUUID();
  const body = typeof content === "string" || content instanceof Uint8Array ? bytes(content) : content;
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
