import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { FeelWhere } from "@/core/visit/watched/feel";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { clientFileOf } from "@/server/exchange/clientOut";
import { feelsOf } from "@/server/history/feels";
import { openVisit } from "@/server/visits/running";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  enterMorning,
  logOf,
  makeClinic,
  openedVisit,
  plannedClient,
  sendLog,
  type TestClinic,
  takeAll,
} from "../../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf("seated_press")));
});
afterAll(closeConnections);

/** A visit in which the line went well, with what was said of it after its first set, and a good morning. */
async function lived(client: ClientEpisode, day: number, where: FeelWhere, sure: number | null) {
  const at = daysLater(day);
  const visitId = await openedVisit(clinic, client, at);
  const open = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId), at);
  const lineId = open?.lines[0]?.lineId ?? "";
  const log = (await logOf(clinic, client, at, { reserve: 3, pain: 0, painAtEnd: 0 })).map((e) =>
    e.type === "finish" ? { ...e, effort: 6 } : e,
  );
  const first = log.findIndex((e) => e.type === "rate") + 1;
  const said = { type: "feel" as const, lineId, where, sure, at: log[first - 1]?.at ?? 0 };
  await sendLog(clinic, visitId, [...log.slice(0, first), said, ...log.slice(first)]);
  await enterMorning(clinic, client, visitId, daysLater(day + 1, 7), { pain: 0, swelling: 0 });
  const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(day + 1, 8));
  const decision = draft?.lines[0]?.decision;
  await takeAll(clinic, client, daysLater(day + 1, 9));
  return decision;
}

test("who is not sure of a line stays with it; felt in the joint twice running it stays too, and says what is looked at (Feel 2, 3)", async () => {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [sheetLineOf("lp_horizontal", STRAIGHT)]);
  const unsure = await lived(client, 0, "joint", 3);
  expect(unsure).toMatchObject({ action: "HOLD", rules: expect.arrayContaining(["H16"]) });
  expect(unsure?.rules).not.toContain("H17");
  const again = await lived(client, 3, "joint", 8);
  expect(again).toMatchObject({ action: "HOLD", rules: expect.arrayContaining(["H17"]) });
  expect(again?.rules).not.toContain("H16");
  expect(again?.reasons.map((r) => sayPlainly(r.why)).join()).toMatch(
    /felt in the joint.* 2 visits running: the set-up/,
  );
  const right = await lived(client, 6, "meant", null);
  expect(right?.rules).not.toContain("H17");
  // all of it is in the record, and in the client's file
  const kept = await clinic.as("therapist", (ctx) => feelsOf(ctx, client.episodeId), daysLater(9));
  expect(kept.flatMap((v) => v.feels.map((f) => [f.where, f.sure]))).toEqual([
    ["meant", null],
    ["joint", 8],
    ["joint", 3],
  ]);
  const file = await clinic.as("therapist", (ctx) => clientFileOf(ctx, client.clientId), daysLater(9));
  expect(file.rows.visit_end.map((e) => [e.feels.length, e.effort])).toEqual([
    [1, 6],
    [1, 6],
    [1, 6],
  ]);
});
