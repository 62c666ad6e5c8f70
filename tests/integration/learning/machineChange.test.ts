import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import { machineChangesOf, saveMachineChange } from "@/server/clinic/machineChanges";
import { addMachine } from "@/server/clinic/machines";
import { sheetFacts } from "@/server/facts/sheetFacts";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  runVisit,
  saveLines,
  type TestClinic,
} from "../../support/clinic";
import { STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
const machineId = randomUUID();
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, machineId, templateOf("seated_press")));
});
afterAll(closeConnections);

const LATER = daysLater(6);
const change = (
  input: { id: string; changedOn: string; what: string },
  by: "therapist" | "trainer" = "therapist",
) => clinic.as(by, (ctx) => saveMachineChange(ctx, machineId, input), LATER);

test("from the day on which a machine was changed its loads are learnt anew; once, by who may, not before it happened (L1)", async () => {
  const client = await makeClient(clinic);
  await clinic.as("therapist", (ctx) => saveLines(ctx, client, [sheetLineOf("lp_horizontal", STRAIGHT)]));
  await runVisit(clinic, client);
  const stations = async () => {
    const facts = await clinic.as("therapist", (ctx) => sheetFacts(ctx, client), LATER);
    return Object.entries(facts.choose.strength.extension.stations).map(([id, s]) => [id, s.visits]);
  };
  const [[plain] = []] = await stations();
  const input = { id: randomUUID(), changedOn: "2026-03-04", what: "a new cable" };
  await expect(change({ ...input, id: randomUUID(), changedOn: "2026-03-20" })).rejects.toThrow(
    "input.machine_change_later",
  );
  await expect(change({ ...input, id: randomUUID() }, "trainer")).rejects.toThrow();
  await change(input);
  await change(input);
  await expect(change({ ...input, what: "a new lever" })).rejects.toThrow(/a new cable/);
  expect(await stations()).toEqual([[`${plain}~1`, 1]]);
  expect(await clinic.as("trainer", (ctx) => machineChangesOf(ctx, machineId))).toMatchObject([
    { changedOn: "2026-03-04", what: "a new cable" },
  ]);
});
