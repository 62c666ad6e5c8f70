import { randomUUID } from "node:crypto";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { recentVisitsWhole } from "@/server/history/visits";
import { enterTicks } from "@/server/visits/paper";
import {
  closeConnections,
  currentSheet,
  daysLater,
  hold,
  makeClinic,
  plannedClient,
  squats,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const enter = async (client: Awaited<ReturnType<typeof plannedClient>>["client"], over: object = {}) => {
  const sheet = await currentSheet(clinic, client);
  const input = {
    id: randomUUID(),
    sheetId: sheet.sheetId,
    on: "2026-03-04",
    lineIds: [sheet.lines[0]?.plan.lineId ?? ""],
    pain: 1,
    painAtEnd: 1,
    ...over,
  };
  await clinic.as("trainer", (ctx) => enterTicks(ctx, client, input), daysLater(4));
  return input;
};

test("a day of paper becomes a visit of that day: ticked lines done as planned, the others left out, then decided as any", async () => {
  const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
  const input = await enter(client);
  await clinic.as("trainer", (ctx) => enterTicks(ctx, client, input), daysLater(4));
  const visits = await clinic.as(
    "therapist",
    (ctx) => recentVisitsWhole(ctx, client.episodeId),
    daysLater(4),
  );
  expect(visits).toHaveLength(1);
  expect(visits[0]?.startedAt).toEqual(new Date("2026-03-04T11:00:00Z"));
  expect(new Set(visits[0]?.records.map((r) => r.lineId))).toEqual(new Set(input.lineIds));
  expect(visits[0]?.end).toMatchObject({ painAtEnd: 1 });
  const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(4));
  // its morning is missing: nothing goes up by it
  expect(draft?.lines.map((l) => l.decision.action)).not.toContain("PROGRESS");
});

test("a day is entered once, in order, and not from long ago or tomorrow", async () => {
  const { client } = await plannedClient(clinic);
  await enter(client);
  await expect(enter(client)).rejects.toThrow(/entered already/);
  await expect(enter(client, { on: "2026-03-03" })).rejects.toThrow(/in their order/);
  for (const on of ["2026-02-01", "2026-03-20"])
    await expect(enter(client, { on })).rejects.toThrow(/last 14 days/);
});
