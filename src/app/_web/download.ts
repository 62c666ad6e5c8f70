import "server-only";
import { makeZip } from "client-zip";
import type { ZipFile } from "@/server/exchange/zipOut";

/** A name that every file system takes. */
export const fileName = (words: string): string =>
  words
    .normalize("NFKD")
    .replace(/[^\w.-]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 80) || "file";

const headers = (type: string, name: string): Record<string, string> => ({
  "content-type": type,
  "content-disposition": `attachment; filename="${fileName(name)}"`,
  "cache-control": "no-store",
});

export const jsonDownload = (content: unknown, name: string, type = "application/json"): Response =>
  new Response(`${JSON.stringify(content, null, 1)}\n`, { headers: headers(type, name) });

/** An archive that is made only as fast as it is read; `more` tells the page how much there will be. */
export const zipDownload = (
  files: AsyncIterable<ZipFile>,
  name: string,
  more: Record<string, string> = {},
): Response => new Response(makeZip(files), { headers: { ...headers("application/zip", name), ...more } });
