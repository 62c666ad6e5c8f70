import { randomUUID } from "node:crypto";
import { makeZip } from "client-zip";
import { clientFile } from "@/core/exchange/clientFile";
import { plainMeasurement } from "@/core/measure/measurementInput";
import { rowsOfReview } from "@/core/review/review";
import { clientEpisode } from "@/server/client/clients";
import { machinesOf } from "@/server/clinic/machines";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { clientFileOf } from "@/server/exchange/clientOut";
import { clientIdsOf } from "@/server/exchange/clinicOut";
import { confirmImport, importById, undoImport } from "@/server/exchange/imports";
import { clinicZip } from "@/server/exchange/zipOut";
import { recordTest } from "@/server/measure/measurements";
import { recordMeasurement } from "@/server/measure/otherMeasurements";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { reviewFactsOf } from "@/server/review/facts";
import { recordMorning } from "@/server/visits/mornings";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  hold,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  squats,
  type TestClinic,
  takeAll,
  testInput,
} from "../../support/clinic";
import { readInto } from "../../support/files";
import { KNEE } from "../../support/lines";

const LATER = daysLater(20);
let clinic: TestClinic;
let empty: TestClinic;
let archive: Uint8Array;

/** A clinic without machines, cuffs and clients. */
async function emptyClinic(): Promise<TestClinic> {
  const made = await makeClinic();
  await owner`delete from machine where clinic_id = ${made.id}`;
  await owner`delete from cuff where clinic_id = ${made.id}`;
  return made;
}

async function archiveOf(of: TestClinic, withNames = true): Promise<Uint8Array> {
  const { files } = await clinicZip(of.actors.admin, LATER, withNames);
  return new Uint8Array(await new Response(makeZip(files)).arrayBuffer());
}

beforeAll(async () => {
  clinic = await makeClinic();
  empty = await emptyClinic();
  const { client } = await plannedClient(clinic, { rules: [KNEE], limits: [{ low: 5, high: 95 }] }, [
    hold(),
    squats(),
  ]);
  for (const [i, pain] of [1, 2].entries()) {
    const visitId = await runVisit(clinic, client, {
      ...{ at: daysLater(3 * i), pain },
      faults: () => [{ id: "shakes", fromRep: null }],
    });
    const answered = daysLater(3 * i + 1);
    await clinic.as(
      "trainer",
      (ctx) =>
        recordMorning(ctx, client, {
          id: randomUUID(),
          visitId,
          corrects: null,
          pain,
          swelling: null,
          stiffnessMin: 5,
        }),
      answered,
    );
    if (i === 0) await takeAll(clinic, client, answered);
  }
  await clinic.as(
    "therapist",
    (ctx) => recordTest(ctx, client, testInput({ id: randomUUID(), side: "left" })),
    daysLater(5),
  );
  await clinic.as(
    "therapist",
    (ctx) =>
      recordMeasurement(ctx, client, {
        id: randomUUID(),
        kind: "knee_bend",
        side: "right",
        value: 118,
        way: "passive",
        source: "typed",
      } as never),
    daysLater(5),
  );
  const rolls = (await clinic.as("trainer", machinesOf)).find((m) => m.family === "seated_knee_extension");
  const plain = (...x: Parameters<typeof plainMeasurement> extends [string, ...infer R] ? R : never) =>
    plainMeasurement(randomUUID(), ...x);
  for (const m of [
    { ...plain("step_downs_30s", "right", 11), stepM: 0.2 },
    { ...plain("stairs_time", null, 14.5), steps: 12 },
    { ...plain("pelvis_rolls", null, 85), machineId: rolls?.id ?? null },
    { ...plain("free_test", null, 3), test: { name: "Sled", unit: "runs", better: "up" as const, error: 1 } },
    plain("body_mass", null, 72.5),
  ])
    await clinic.as("therapist", (ctx) => recordMeasurement(ctx, client, m), daysLater(5));
  await plannedClient(clinic);
  archive = await archiveOf(clinic);
}, 120_000);
afterAll(closeConnections);

/** Ids by the order in which they are met: what differs in ids only is the same. */
function withoutIds<T>(content: T): T {
  const met = new Map<string, string>();
  const text = JSON.stringify(content).replace(/[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}/g, (id) => {
    met.set(id, met.get(id) ?? `id ${met.size}`);
    return met.get(id) as string;
  });
  return JSON.parse(text);
}

/** What pages show of every client of a clinic: their course, and what would come next. */
async function shown(of: TestClinic) {
  const ids = await of.as("admin", clientIdsOf, LATER);
  const all = [];
  for (const { id } of ids)
    all.push(
      await of.as(
        "therapist",
        async (ctx) => {
          const [episode] = await episodesToReview(ctx, id);
          const facts = await reviewFactsOf(ctx, episode as PastEpisode);
          const drafts = await visitDrafts(ctx, await clientEpisode(ctx, id));
          return {
            rows: rowsOfReview(facts),
            bands: facts.bands,
            decisions: facts.decisions,
            drafts: drafts.map((d) => d.lines.map((l) => ({ ...l.decision, next: l.next }))),
            visits: facts.visits.length,
          };
        },
        LATER,
      ),
    );
  return all.sort((a, b) => b.visits - a.visits).map(withoutIds);
}

const fileOf = async (of: TestClinic, at: number) => {
  const ids = await of.as("admin", clientIdsOf, LATER);
  const files = await Promise.all(ids.map(({ id }) => of.as("admin", (ctx) => clientFileOf(ctx, id), LATER)));
  return files.sort((a, b) => b.rows.visit.length - a.rows.visit.length)[at];
};

test("an archive of a clinic gives an empty one the same reviews, charts and next drafts; then all of it is taken back", async () => {
  const draft = await readInto(empty, "clinic", archive, { role: "admin", at: LATER });
  expect(draft.summary?.problems).toEqual([]);
  expect(draft.summary?.clients).toHaveLength(2);
  expect(draft.summary?.clients.flatMap((c) => c.limits).join()).toContain("[5,95]");
  // a draft is nothing yet, and an admin is no therapist
  expect(await empty.as("admin", clientIdsOf, LATER)).toEqual([]);
  await expect(empty.as("admin", (ctx) => confirmImport(ctx, draft.id), LATER)).rejects.toThrow(/therapist/);
  await empty.as("therapist", (ctx) => confirmImport(ctx, draft.id), LATER);

  const [was, is] = [await shown(clinic), await shown(empty)];
  expect(was[0]?.drafts[0]?.length).toBe(2);
  expect(was[0]?.rows.length).toBeGreaterThan(6);
  expect(is).toEqual(was);

  // the same rows too, but for ids and what was recorded of taking them out
  for (const at of [0, 1]) {
    const [from, to] = [await fileOf(clinic, at), await fileOf(empty, at)];
    const rowsOf = (f: typeof from) =>
      Object.entries(f?.rows ?? {}).map(([table, rows]) => [
        table,
        (rows as Record<string, unknown>[])
          .filter((r) => !String(r.deed ?? "").startsWith("export"))
          .map((r) => JSON.stringify(withoutIds(r)))
          .sort(),
      ]);
    expect(rowsOf(to)).toEqual(rowsOf(from));
  }

  // read in a second time it is known again
  const again = await readInto(empty, "clinic", archive, { role: "admin", at: LATER });
  expect(again.summary?.problems.map((p) => sayPlainly(p.said)).join()).toMatch(/is in this clinic already/);
  await empty.as("therapist", (ctx) => undoImport(ctx, draft.id, "confirmed"), LATER);
  expect(await empty.as("admin", clientIdsOf, LATER)).toEqual([]);
  expect((await empty.as("admin", (ctx) => importById(ctx, draft.id), LATER)).state).toBe("undone");
  const [left] = await owner`select count(*)::int as n from set_record where clinic_id = ${empty.id}`;
  expect(left?.n).toBe(0);
}, 120_000);

test("what somebody has worked with is not taken back", async () => {
  const own = await emptyClinic();
  const draft = await readInto(own, "clinic", archive, { role: "admin", at: LATER });
  await own.as("therapist", (ctx) => confirmImport(ctx, draft.id), LATER);
  const [first] = await own.as("admin", clientIdsOf, LATER);
  const client = await own.as("therapist", (ctx) => clientEpisode(ctx, first?.id ?? ""), LATER);
  await own.as("therapist", (ctx) => recordTest(ctx, client, testInput({ id: randomUUID() })), daysLater(21));
  await expect(
    own.as("therapist", (ctx) => undoImport(ctx, draft.id, "confirmed"), daysLater(21)),
  ).rejects.toThrow(/worked with/);
  expect(await own.as("admin", clientIdsOf, LATER)).toHaveLength(2);
}, 60_000);

test("without names no name, no free text and no id of the clinic is in the archive", async () => {
  await owner`update episode set details = 'seen by Doctor Quillfeather', surgeon_note = 'Quillfeather says no' where clinic_id = ${clinic.id}`;
  await owner`update client set name = 'Odo Quillfeather' where clinic_id = ${clinic.id}`;
  const named = new TextDecoder().decode(await archiveOf(clinic));
  const plain = new TextDecoder().decode(await archiveOf(clinic, false));
  expect(named).toContain("Quillfeather");
  for (const word of ["Quillfeather", "Made Up", "Test therapist", "Test Clinic"])
    expect(plain).not.toContain(word);
  const ids = await clinic.as("admin", clientIdsOf, LATER);
  for (const { id } of ids) expect(plain).not.toContain(id);
  // and it is a proper file all the same
  const { files } = await clinicZip(clinic.actors.admin, LATER, false);
  for await (const f of files)
    if (f.name.endsWith("client.json"))
      expect(clientFile.safeParse(JSON.parse(f.input)).error?.issues ?? []).toEqual([]);
}, 60_000);

test("only an admin takes a clinic out, and a client's file names nobody of another clinic", async () => {
  await expect(clinicZip(clinic.actors.therapist, LATER, true)).rejects.toThrow(/admin/);
  const [id] = await clinic.as("admin", clientIdsOf, LATER);
  await expect(empty.as("admin", (ctx) => clientFileOf(ctx, id?.id ?? ""), LATER)).rejects.toThrow(
    /no such client/,
  );
  await expect(clinic.as("trainer", (ctx) => clientFileOf(ctx, id?.id ?? ""), LATER)).rejects.toThrow(
    /therapist/,
  );
});
