import type { FieldProblem } from "@/core/units/inputError";
import { keepFile } from "./keepFile";

/** Beginning of a file in a zip archive: no JSON and no table holds these four characters. */
const ENTRY = [0x50, 0x4b, 0x03, 0x04] as const;

/** Counts the files of an archive as it comes, also where a mark is cut by the end of a piece. */
export function entryCounter(): (piece: Uint8Array) => number {
  let matched = 0;
  let count = 0;
  return (piece) => {
    for (const byte of piece) {
      matched = byte === ENTRY[matched] ? matched + 1 : byte === ENTRY[0] ? 1 : 0;
      if (matched === ENTRY.length) {
        count += 1;
        matched = 0;
      }
    }
    return count;
  };
}

const nameIn = (response: Response, otherwise: string): string =>
  /filename="([^"]+)"/.exec(response.headers.get("content-disposition") ?? "")?.[1] ?? otherwise;

/**
 * Fetches a file and hands it to the browser. `onProgress` is told how many files of an archive have come, of at least
 * how many, and how many bytes. Gives null, or the sentence why it did not come.
 */
export async function fetchFile(
  path: string,
  o: {
    body?: unknown;
    signal?: AbortSignal;
    onProgress?: (done: number, ofAtLeast: number, bytes: number) => void;
  } = {},
): Promise<string | null> {
  try {
    const response = await fetch(
      path,
      o.body === undefined
        ? { signal: o.signal ?? null }
        : {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify(o.body),
            signal: o.signal ?? null,
          },
    );
    if (!response.ok || !response.body) {
      const { problems } = (await response.json()) as { problems: FieldProblem[] };
      return problems[0]?.sentence ?? "This file did not come. Try again.";
    }
    const parts: BlobPart[] = [];
    const reader = response.body.getReader();
    const count = entryCounter();
    const atLeast = Number(response.headers.get("x-bexlo-files") ?? 0);
    let bytes = 0;
    for (let piece = await reader.read(); !piece.done; piece = await reader.read()) {
      parts.push(piece.value);
      bytes += piece.value.length;
      o.onProgress?.(count(piece.value), atLeast, bytes);
    }
    keepFile(nameIn(response, "file"), new Blob(parts, { type: response.headers.get("content-type") ?? "" }));
    return null;
  } catch {
    return o.signal?.aborted
      ? "Stopped. Nothing was kept."
      : "The clinic's server does not answer. Try again.";
  }
}
