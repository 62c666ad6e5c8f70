import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { clientDay } from "@/server/day/clientDay";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { takeDecisions } from "@/server/decide/decisions";
import { recordTest } from "@/server/measure/measurements";
import { plateausOf } from "@/server/review/plateau";
import { recordMorning } from "@/server/visits/mornings";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  runVisit,
  saveLines,
  type TestClinic,
  testInput,
} from "../../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf("seated_knee_extension")));
});
afterAll(closeConnections);

const KEPT = "Kept as it is";
/** One visit as planned, a morning after, and a decision to keep everything. */
async function keptVisit(client: ClientEpisode, day: number, morning: number) {
  const visitId = await runVisit(clinic, client, { at: daysLater(day), reserve: 3 });
  const next = daysLater(day + 1);
  await clinic.as(
    "therapist",
    async (ctx) => {
      await recordMorning(ctx, client, {
        ...{ id: randomUUID(), visitId, corrects: null },
        ...{ pain: morning, swelling: null, stiffnessMin: 5 },
      });
      const [draft] = await visitDrafts(ctx, client);
      const lines = (draft?.lines ?? []).map((l) => ({
        ...{ id: randomUUID(), lineId: l.plan.lineId, action: "HOLD" as const },
        ...{ computedAction: l.decision.action, overrideReason: l.decision.action === "HOLD" ? null : KEPT },
      }));
      await takeDecisions(ctx, client, { visitId, lines });
    },
    next,
  );
}

/** Tested, and then four weeks of the same, twice a week or so often. */
async function lived(visits: number, morning = 1): Promise<ClientEpisode> {
  const client = await makeClient(clinic, { rules: [KNEE] });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [sheetLineOf("kext_single", STRAIGHT, "one")]),
  );
  for (let v = 0; v < visits; v++) await keptVisit(client, 2 + 4 * v, morning);
  return client;
}
const plateaus = (client: ClientEpisode, day: number) =>
  clinic.as("therapist", (ctx) => plateausOf(ctx, client), daysLater(day));
const waiting = async (client: ClientEpisode, day: number) => {
  const { matters } = await clinic.as("therapist", (ctx) => clientDay(ctx, client), daysLater(day));
  return matters.filter((m) => m.kind === "plateau").map((m) => m.why);
};

test("four weeks of the same say on the day's list that the muscle stands still, and what fits (P5)", async () => {
  const client = await lived(7);
  const [found, ...more] = await plateaus(client, 28);
  expect(more).toEqual([]);
  expect(found).toMatchObject({ direction: "extension", because: ["few_sets"] });
  expect(await waiting(client, 28)).toEqual([
    { code: "desk.plateau", direction: "extension", because: "few_sets" },
  ]);
});

test("who came too seldom did not stand still, and sore mornings are named first", async () => {
  expect(await waiting(await lived(4), 28)).toEqual([]);
  const sore = await lived(7, 5);
  expect((await plateaus(sore, 28))[0]?.because[0]).toBe("held");
});
