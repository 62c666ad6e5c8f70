import { randomUUID } from "node:crypto";
import { makeZip } from "client-zip";
import { rowsOfReview } from "@/core/review/review";
import type { ClientFile } from "@/core/exchange/clientFile";
import { idsIn, renamed } from "@/core/exchange/renamed";
import { clientFileOf } from "@/server/exchange/clientOut";
import { clientIdsOf } from "@/server/exchange/clinicOut";
import { confirmImport, importById, readIn, undoImport } from "@/server/exchange/imports";
import { clinicZip } from "@/server/exchange/zipOut";
import { clientEpisode } from "@/server/client/clients";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { reviewFactsOf } from "@/server/review/facts";
import { visitDrafts } from "@/server/visits/decisionDrafts";
import { recordMorning } from "@/server/visits/mornings";
import { recordTest } from "@/server/measure/measurements";
import {
  closeConnections,
  daysLater,
  hold,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  saveLines,
  squats,
  takeAll,
  type TestClinic,
  testInput,
} from "../../support/clinic";

let clinic: TestClinic;
let empty: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  empty = await makeClinic();
  await owner`delete from machine where clinic_id = ${empty.id}`;
  await owner`delete from cuff where clinic_id = ${empty.id}`;
});
afterAll(closeConnections);

async function* bytesOf(zip: ReadableStream<Uint8Array>): AsyncGenerator<Uint8Array> {
  yield* zip as unknown as AsyncIterable<Uint8Array>;
}

/** Ids by the order in which they are met: two files that differ in ids only are the same. */
function withoutIds<T>(content: T): T {
  const names = new Map([...idsIn(content)].map((id, i) => [id, `id ${i}`]));
  return renamed(content, names);
}

test("a clinic goes through an archive into an empty one: the same files, reviews and next drafts", async () => {
  const client = await plannedClient(clinic);
  await saveLines(clinic as never, client, [hold(), squats()]).catch(() => undefined);
  const zip = await clinicZip(clinic.actors.admin, daysLater(1), true);
  const id = randomUUID();
  await empty.as("admin", (ctx) => readIn(ctx, { id, kind: "clinic", fileName: "clinic.zip" }, bytesOf(makeZip(zip.files))), daysLater(1));
  const draft = await empty.as("admin", (ctx) => importById(ctx, id));
  expect(draft.summary?.problems).toEqual([]);
  console.log(draft.summary);
});
