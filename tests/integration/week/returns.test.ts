import { randomUUID } from "node:crypto";
import type { Return } from "@/core/schedule/daysOff";
import type { ClientEpisode } from "@/server/client/clients";
import { clientDay } from "@/server/day/clientDay";
import { chooseReturn, daysOffOf } from "@/server/decide/returns";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { recordTest } from "@/server/measure/measurements";
import { sheetsOf } from "@/server/versions/sheets";
import { dayBarred } from "@/server/visits/floor";
import {
  closeConnections,
  daysLater,
  makeClinic,
  plannedClient,
  runVisit,
  screenClear,
  type TestClinic,
  testInput,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

async function choose(
  client: ClientEpisode,
  day: number,
  chosen: Return,
  reason: string | null = null,
  bedDays = 0,
): Promise<void> {
  await clinic.as(
    "therapist",
    async (ctx) => {
      const off = await daysOffOf(ctx, client);
      if (!off) throw new Error("no visit");
      await chooseReturn(ctx, client, {
        id: randomUUID(),
        visitId: off.visitId,
        proposed: off.proposed,
        chosen,
        reason,
        because: bedDays > 0 ? "ill" : "busy",
        bedDays,
      });
    },
    daysLater(day),
  );
}

const offOn = (client: ClientEpisode, day: number) =>
  clinic.as("therapist", (ctx) => daysOffOf(ctx, client), daysLater(day));

test("after 3, 10 and 30 days without work: the same, one step back, again from a test", async () => {
  const { client } = await plannedClient(clinic);
  expect(await offOn(client, 3)).toBeNull();
  await runVisit(clinic, client);
  for (const [day, proposed] of [
    [3, "same"],
    [10, "step_back"],
    [30, "start_again"],
  ] as const)
    expect(await offOn(client, day)).toMatchObject({ days: day, proposed, chosen: null });
  const day = await clinic.as("therapist", (ctx) => clientDay(ctx, client), daysLater(10));
  expect(day.matters.map((m) => m.why)).toContainEqual({
    code: "desk.days_off",
    days: 10,
    proposed: "step_back",
  });
});

test("a step back is kept and makes every line easier; chosen once, otherwise only with a reason", async () => {
  const { client } = await plannedClient(clinic);
  await runVisit(clinic, client);
  const lines = async () =>
    (await clinic.as("therapist", (ctx) => sheetsOf(ctx, client.episodeId), daysLater(10)))[0];
  const before = await lines();
  await choose(client, 10, "step_back");
  const after = await lines();
  expect(after?.version).toBe((before?.version ?? 0) + 1);
  expect(after?.lines.map((l) => l.plan.lineId)).toEqual(before?.lines.map((l) => l.plan.lineId));
  expect(JSON.stringify(after?.lines.map((l) => l.plan))).not.toBe(
    JSON.stringify(before?.lines.map((l) => l.plan)),
  );
  expect((await offOn(client, 10))?.chosen?.what).toBe("step_back");
  await expect(choose(client, 10, "step_back")).rejects.toThrow(/has chosen already/);
});

test("after a month nothing runs before a therapist has chosen, and, where it begins from a test, before the test", async () => {
  const { client } = await plannedClient(clinic);
  await runVisit(clinic, client);
  const bars = (day: number) => clinic.as("trainer", (ctx) => dayBarred(ctx, client), daysLater(day));
  expect(await bars(9)).toBeNull();
  expect(await bars(20)).toMatch(/one step back of every line is proposed/);
  // so long a gap asks for the whole screening too
  expect(await bars(30)).toMatch(/screening is due again/);
  await screenClear(clinic, client.clientId, daysLater(30, 8));
  expect(await bars(30)).toMatch(/Nothing was done for 30 days/);
  // Today and the path say what the floor says
  const day = (at: number) => clinic.as("therapist", (ctx) => clientDay(ctx, client), daysLater(at));
  expect((await day(30)).steps.floor.state).toBe("blocked");
  await choose(client, 30, "start_again");
  expect(await bars(30)).toMatch(/measure strength first/);
  expect((await day(30)).steps.floor.state).toBe("blocked");
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()), daysLater(30, 10));
  expect(await bars(31)).toBeNull();
});

test("only a therapist chooses, and what was chosen is what was proposed on that day", async () => {
  const { client } = await plannedClient(clinic);
  const visitId = await runVisit(clinic, client);
  const input = {
    id: randomUUID(),
    visitId,
    proposed: "step_back" as const,
    chosen: "step_back" as const,
    reason: null,
    because: "busy" as const,
    bedDays: 0,
  };
  await expect(
    clinic.as("trainer", (ctx) => chooseReturn(ctx, client, input), daysLater(10)),
  ).rejects.toThrow(/Only a therapist/);
  await expect(
    clinic.as("therapist", (ctx) => chooseReturn(ctx, client, input), daysLater(30)),
  ).rejects.toThrow(/a day has passed/);
});

test("days in bed cost strength faster than days away: what the leg can do says so, and how many there were is bounded", async () => {
  const { client } = await plannedClient(clinic);
  await runVisit(clinic, client);
  const peakNm = async (day: number) =>
    Math.exp(
      (await clinic.as("therapist", (ctx) => sheetFacts(ctx, client), daysLater(day))).choose.strength
        .extension.peak.mean,
    );
  const before = await peakNm(12);
  await expect(choose(client, 12, "step_back", null, 13)).rejects.toThrow("input.away_more");
  await choose(client, 12, "step_back", null, 10);
  // 0.7 % a day from the third on
  expect((await peakNm(12)) / before).toBeCloseTo(Math.exp(-0.007 * 8), 6);
});
