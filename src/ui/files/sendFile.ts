import { type Arrived, PART_BYTES, PIECE_BYTES } from "@/core/exchange/pieces";
import type { FieldProblem } from "@/core/units/inputError";
import { send } from "../send";

export interface WhatFile {
  id: string;
  kind: string;
}

export type FileSent = { ok: true } | { ok: false; isBreak: boolean; sentence: string };

const BROKEN: FileSent = {
  ok: false,
  isBreak: true,
  sentence: "The clinic's server does not answer. What has arrived is kept: go on when it is back.",
};

/** So often a piece is tried again by itself, waiting longer each time. */
const WAITS_MS = [500, 2000, 5000];

const wait = (ms: number): Promise<void> => new Promise((go) => setTimeout(go, ms));
const refused = (problems: readonly FieldProblem[]): FileSent => ({
  ok: false,
  isBreak: false,
  sentence: problems[0]?.sentence ?? "This file was not taken.",
});

async function digestOf(part: Blob): Promise<string> {
  const sum = new Uint8Array(await crypto.subtle.digest("SHA-256", await part.arrayBuffer()));
  return Array.from(sum, (b) => b.toString(16).padStart(2, "0")).join("");
}

/** Whether what is at the clinic of a file on its way is the beginning of this one. */
export async function isBeginningOf(file: Blob, id: string): Promise<boolean> {
  const response = await fetch(`/api/imports/${id}/pieces`).catch(() => null);
  if (!response?.ok) return false;
  const { digests } = ((await response.json()) as { result: Arrived }).result;
  for (const [i, digest] of digests.entries())
    if ((await digestOf(file.slice(i * PART_BYTES, (i + 1) * PART_BYTES))) !== digest) return false;
  return true;
}

/** One piece. Null: nobody answered, and whether it arrived is not known. */
async function putPiece(
  id: string,
  from: number,
  piece: Blob,
): Promise<{ haveBytes: number } | { problems: FieldProblem[] } | null> {
  try {
    const response = await fetch(`/api/imports/${id}/pieces?from=${from}`, {
      method: "PUT",
      headers: { "content-type": "application/octet-stream" },
      body: piece,
    });
    const said = await response.json();
    return response.ok
      ? { haveBytes: said.result.haveBytes as number }
      : { problems: said.problems as FieldProblem[] };
  } catch {
    return null;
  }
}

/**
 * Sends a file in pieces; what arrived stays, so that after a break it goes on from there under the same id. `onHave` hears
 * how much is at the clinic.
 */
export async function sendFile(
  file: File,
  { id, kind }: WhatFile,
  onHave: (bytes: number) => void,
): Promise<FileSent> {
  const begun = await send<{ haveBytes: number }>("/api/imports", {
    id,
    kind,
    fileName: file.name,
    bytes: file.size,
  });
  if (!begun.ok) return begun.status === 0 ? BROKEN : refused(begun.problems);
  let have = begun.result.haveBytes;
  let tries = 0;
  while (have < file.size) {
    onHave(have);
    const put = await putPiece(id, have, file.slice(have, have + PIECE_BYTES));
    if (put && "problems" in put) return refused(put.problems);
    if (put) {
      have = put.haveBytes;
      tries = 0;
      continue;
    }
    const pauseMs = WAITS_MS[tries];
    if (pauseMs === undefined) return BROKEN;
    await wait(pauseMs);
    tries += 1;
  }
  return { ok: true };
}
