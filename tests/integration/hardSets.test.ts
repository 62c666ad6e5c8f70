import type { ClientEpisode } from "@/server/client/clients";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { hardSets, keepAsTest } from "@/server/history/hardSets";
import { recordTest } from "@/server/measure/measurements";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  runVisit,
  saveLines,
  type TestClinic,
  testInput,
} from "../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** A client whose extensions were run once with so many left. */
async function ran(reserve: number): Promise<ClientEpisode> {
  const client = await makeClient(clinic, { rules: [KNEE] });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  const sheet = await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [sheetLineOf("kext_single", STRAIGHT, "one")]),
  );
  await runVisit(clinic, client, { sheet, reserve });
  return client;
}
const offered = (client: ClientEpisode, day = 1) =>
  clinic.as("therapist", (ctx) => hardSets(ctx, client.episodeId), daysLater(day));

test("a hard set is offered as a test, kept under its own day, and loads are counted from it", async () => {
  const client = await ran(2);
  const sets = await offered(client);
  expect(sets).toHaveLength(STRAIGHT.sets);
  const [set] = sets;
  if (!set) throw new Error("no set");
  expect(set).toMatchObject({ side: client.side, reps: 10, reserve: 2 });
  const keep = () => clinic.as("therapist", (ctx) => keepAsTest(ctx, client, set.recordId), daysLater(3));
  await keep();
  await keep();
  const facts = await clinic.as("therapist", (ctx) => sheetFacts(ctx, client), daysLater(3));
  expect(facts.choose.repetitionTests).toEqual([
    {
      machineName: set.machineName,
      twoLegs: false,
      loadKg: set.loadKg,
      reps: 10,
      reserve: 2,
      takenOn: set.on,
    },
  ]);
  expect(set.on).toBe((await offered(client))[0]?.on);
  expect((await offered(client)).map((s) => s.recordId)).not.toContain(set.recordId);
});

test("an easy set, an old one, somebody else's and a trainer's wish are not", async () => {
  expect(await offered(await ran(6))).toEqual([]);
  const client = await ran(1);
  expect(await offered(client, 40)).toEqual([]);
  const [set] = await offered(client);
  const recordId = set?.recordId ?? "";
  const other = await makeClient(clinic, { rules: [KNEE] });
  await expect(
    clinic.as("therapist", (ctx) => keepAsTest(ctx, other, recordId), daysLater(1)),
  ).rejects.toThrow(/not offered as a test/);
  await expect(
    clinic.as("trainer", (ctx) => keepAsTest(ctx, client, recordId), daysLater(1)),
  ).rejects.toThrow(/Only a therapist/);
});
