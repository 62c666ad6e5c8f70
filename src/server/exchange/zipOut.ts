import "server-only";
import { randomUUID } from "node:crypto";
import type { ClientFile } from "@/core/exchange/clientFile";
import { csvTables } from "@/core/exchange/csvOut";
import { fhirBundle } from "@/core/exchange/fhir/bundle";
import { nameless } from "@/core/exchange/nameless";
import { schemas } from "@/core/exchange/schemas";
import { traceToCsv } from "@/core/exchange/traceCsv";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import type { Actor, Ctx } from "../base/context";
import { inClinic } from "../base/db";
import { clientFileOf } from "./clientOut";
import { clientIdsOf, clinicFileOf } from "./clinicOut";
import { csvText } from "./csvText";
import { idHere } from "./identity";

/** A file of a zip archive. */
export interface ZipFile {
  name: string;
  lastModified: Date;
  input: string;
}

/** A client's file with or without names; that it was taken out is kept in the record. */
export async function takeOut(ctx: Ctx, clientId: string, withNames: boolean): Promise<ClientFile> {
  const file = await clientFileOf(ctx, clientId);
  await audit(ctx, "export.client", "client", clientId, null, { withNames });
  if (withNames) return file;
  // made anew each time: two files without names cannot be laid beside each other
  const salt = randomUUID();
  return nameless(file, (id) => idHere(salt, id));
}

/** The same as a collection of FHIR resources. */
export const bundleOf = (file: ClientFile) =>
  fhirBundle(file, { idOf: (name) => idHere(file.rows.client[0]?.id ?? "", name), say: sayPlainly });

const pretty = (content: unknown): string => `${JSON.stringify(content, null, 1)}\n`;

/** All files of one client under a folder. */
function* clientFiles(file: ClientFile, folder: string, at: Date): Generator<ZipFile> {
  const one = (name: string, input: string): ZipFile => ({
    name: `${folder}${name}`,
    lastModified: at,
    input,
  });
  yield one("client.json", pretty(file));
  yield one("fhir.json", pretty(bundleOf(file)));
  for (const t of csvTables(file)) yield one(`csv/${t.name}.csv`, csvText(t));
  for (const t of file.rows.strength_trial)
    if (t.trace_time_s && t.trace_force_n)
      yield one(
        `traces/${t.test_id}-${t.trial_no}.csv`,
        traceToCsv({ timeS: t.trace_time_s, forceN: t.trace_force_n }),
      );
}

const README = (what: string): string =>
  `${what}\n\nclient.json: everything, in Bexlo's own format; its schema is in schemas/. It can be read in again.\nfhir.json: the same as HL7 FHIR R4, as far as R4 has a place for it.\ncsv/: tables with units in their headers. traces/: forces of strength tests.\n`;

/** A client as an archive. */
export async function* clientZip(ctx: Ctx, clientId: string, withNames: boolean): AsyncGenerator<ZipFile> {
  const file = await takeOut(ctx, clientId, withNames);
  yield { name: "README.txt", lastModified: ctx.now, input: README("One client.") };
  yield* schemaFiles(ctx.now);
  yield* clientFiles(file, "", ctx.now);
}

function* schemaFiles(at: Date): Generator<ZipFile> {
  for (const [name, schema] of Object.entries(schemas()))
    yield { name: `schemas/${name}.schema.json`, lastModified: at, input: pretty(schema) };
}

/** How many files a clinic's archive will hold at least, for the progress: a client has seven. */
const FILES_OF_A_CLIENT = 7;

/** A whole clinic as an archive: each client in a transaction of its own, made only as fast as it is read. */
export async function clinicZip(
  actor: Actor,
  now: Date,
  withNames: boolean,
): Promise<{ files: AsyncGenerator<ZipFile>; clients: number; atLeast: number }> {
  const within = <T>(work: (ctx: Ctx) => Promise<T>): Promise<T> =>
    inClinic(actor.clinicId, (tx) => work({ tx, actor, now }));
  const ids = await within(clientIdsOf);
  await within((ctx) =>
    audit(ctx, "export.clinic", "clinic", actor.clinicId, null, { withNames, clients: ids.length }),
  );
  async function* files(): AsyncGenerator<ZipFile> {
    yield {
      name: "README.txt",
      lastModified: now,
      input: README("A whole clinic, a folder for each client."),
    };
    yield* schemaFiles(now);
    const manifest = {
      format: "bexlo-clinic-archive",
      version: 1,
      made_at: now.toISOString(),
      clients: ids.length,
    };
    yield { name: "manifest.json", lastModified: now, input: pretty(manifest) };
    const own = await within(clinicFileOf);
    const people = withNames ? own.people : own.people.map((p, i) => ({ ...p, name: `person ${i + 1}` }));
    yield {
      name: "clinic.json",
      lastModified: now,
      input: pretty({ ...own, people, clinic: withNames ? own.clinic : { ...own.clinic, name: "left out" } }),
    };
    for (const [i, { id }] of ids.entries()) {
      const file = await within((ctx) => takeOut(ctx, id, withNames));
      yield* clientFiles(file, `clients/${String(i + 1).padStart(5, "0")}/`, now);
    }
  }
  return { files: files(), clients: ids.length, atLeast: 6 + FILES_OF_A_CLIENT * ids.length };
}
