import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { confirmOdd } from "@/server/visits/oddSets";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  owner,
  runVisit,
  saveLines,
  type TestClinic,
} from "../../support/clinic";
import { STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf("seated_press")));
});
afterAll(closeConnections);

const LATER = daysLater(3);
const press = async (client: ClientEpisode) => {
  const facts = await clinic.as("therapist", (ctx) => sheetFacts(ctx, client), LATER);
  const found = Object.values(facts.choose.strength.extension.stations);
  expect(found).toHaveLength(1);
  return found[0] as (typeof found)[number];
};
const confirm = (by: "trainer" | "admin", client: ClientEpisode, visitId: string, id = randomUUID()) =>
  clinic.as(by, (ctx) => confirmOdd(ctx, client, { id, visitId }), LATER);

test("sets far off what is believed wait until somebody who knows says that they were so; once, by who may, of this client (L7)", async () => {
  const client = await makeClient(clinic);
  await clinic.as("therapist", (ctx) => saveLines(ctx, client, [sheetLineOf("lp_horizontal", STRAIGHT)]));
  const visitId = await runVisit(clinic, client);
  const before = await press(client);
  expect(before.course.map((v) => v.odd)).toEqual([null]);
  // a slip of the finger, or really ten times as much
  await owner`update set_record set load_kg = load_kg * 10 where visit_id = ${visitId}`;
  await owner`update revision set revision = nextval('revision_seq') where of = ${client.episodeId}`;
  const waits = await press(client);
  expect(waits.course.map((v) => v.odd)).toEqual(["waits"]);
  expect(waits.proved).toBeNull();
  await expect(confirm("admin", client, visitId)).rejects.toThrow(/Only a therapist or a trainer/);
  await expect(confirm("trainer", client, randomUUID())).rejects.toThrow(/not there any more/);
  const id = randomUUID();
  await confirm("trainer", client, visitId, id);
  await confirm("trainer", client, visitId, id);
  const counts = await press(client);
  expect(counts.course.map((v) => v.odd)).not.toContain("waits");
  expect(counts.shown.mean).toBeGreaterThan(waits.shown.mean + 0.2);
});
