import "server-only";
import yauzl from "yauzl";
import { InputError } from "@/core/units/inputError";

/** More than any clinic has; what goes beyond was made to be costly. */
const MOST_ENTRIES = 60_000;
const MOST_ENTRY_BYTES = 32_000_000;
/** Records pack to a twelfth or so; what unpacks to more than this many times its size was made to be costly. */
const MOST_TIMES = 60;
const SMALL_BYTES = 2_000_000_000;

const refuse = (sentence: string): never => {
  throw new InputError("file", sentence);
};

const wordsOf = (error: unknown): string =>
  error instanceof InputError
    ? error.message
    : "This archive is damaged, or is no zip archive. Take it out of the other clinic again.";

/**
 * The texts of an archive whose names `wants`, one after the other, never more than one in memory. Sizes are counted as
 * they are unpacked: an archive that says less than it holds is stopped.
 */
export async function* textsOfZip(
  file: string,
  wants: (name: string) => boolean,
): AsyncGenerator<{ name: string; text: string }> {
  const zip = await new Promise<yauzl.ZipFile>((done, fail) =>
    yauzl.open(file, { lazyEntries: true, validateEntrySizes: true, decodeStrings: true }, (error, z) =>
      error || !z ? fail(new InputError("file", wordsOf(error))) : done(z),
    ),
  );
  try {
    if (zip.entryCount > MOST_ENTRIES) refuse("This archive holds more files than any clinic's.");
    const most = Math.max(SMALL_BYTES, MOST_TIMES * zip.fileSize);
    let total = 0;
    for (;;) {
      const entry = await nextEntry(zip);
      if (!entry) return;
      if (!wants(entry.fileName)) continue;
      total += entry.uncompressedSize;
      if (entry.uncompressedSize > MOST_ENTRY_BYTES || total > most)
        refuse(`${entry.fileName.slice(0, 80)} would unpack to more than is read in.`);
      yield { name: entry.fileName, text: await textOf(zip, entry) };
    }
  } finally {
    zip.close();
  }
}

function nextEntry(zip: yauzl.ZipFile): Promise<yauzl.Entry | null> {
  return new Promise((done, fail) => {
    const clear = () => {
      zip.removeListener("entry", got);
      zip.removeListener("end", over);
      zip.removeListener("error", failed);
    };
    const got = (entry: yauzl.Entry) => {
      clear();
      done(entry);
    };
    const over = () => {
      clear();
      done(null);
    };
    const failed = (error: Error) => {
      clear();
      fail(new InputError("file", wordsOf(error)));
    };
    zip.on("entry", got);
    zip.on("end", over);
    zip.on("error", failed);
    zip.readEntry();
  });
}

function textOf(zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<string> {
  return new Promise((done, fail) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error || !stream) return fail(new InputError("file", wordsOf(error)));
      const parts: Buffer[] = [];
      let bytes = 0;
      stream.on("data", (chunk: Buffer) => {
        bytes += chunk.length;
        if (bytes > MOST_ENTRY_BYTES)
          stream.destroy(
            new InputError("file", `${entry.fileName.slice(0, 80)} unpacks to more than is read in.`),
          );
        else parts.push(chunk);
      });
      stream.on("error", (e: Error) => fail(new InputError("file", wordsOf(e))));
      stream.on("end", () => {
        try {
          done(new TextDecoder("utf-8", { fatal: true }).decode(Buffer.concat(parts)));
        } catch {
          fail(new InputError("file", `${entry.fileName.slice(0, 80)} is not written in UTF-8.`));
        }
      });
    });
  });
}
