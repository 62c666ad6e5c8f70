import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { LogEntry } from "@/core/visit/visitEvent";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { clientDay } from "@/server/day/clientDay";
import { todayList } from "@/server/day/todayList";
import { seeConcern, unseenConcerns } from "@/server/decide/concerns";
import { answerRecheck } from "@/server/decide/rechecks";
import { openVisit, startVisit } from "@/server/visits/running";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  enterMorning,
  logOf,
  MONDAY,
  makeClient,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  runVisit,
  saveLines,
  sendLog,
  squats,
  type TestClinic,
  takeAll,
} from "../../support/clinic";
import { STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const TUESDAY = daysLater(1);
const unseen = (client: ClientEpisode, at = TUESDAY) =>
  clinic.as("trainer", (ctx) => unseenConcerns(ctx, client), at);
const morning = (by: "trainer" | "therapist", client: ClientEpisode, visitId: string, pain: number) =>
  enterMorning(clinic, client, visitId, TUESDAY, { pain }, by);
const stopOf = (at: Date): LogEntry[] => [
  { type: "stop", reason: "Sharp, sudden or giving-way pain", at: at.getTime() },
  { type: "finish", painAtEnd: 2, at: at.getTime() + 1000 },
];

test("a trainer's stop stands first on Today and in the client's line until a therapist has seen it", async () => {
  const { client } = await plannedClient(clinic, {}, [squats()]);
  const visitId = await openedVisit(clinic, client);
  await sendLog(clinic, visitId, stopOf(MONDAY));
  const day = await clinic.as("trainer", (ctx) => clientDay(ctx, client), MONDAY);
  expect(sayPlainly(day.next.why)).toMatch(
    /A visit ended early: sharp, sudden or giving-way pain \(Test trainer\)/,
  );
  const rows = await clinic.as("therapist", todayList, MONDAY);
  const row = rows.find((r) => r.client.clientId === client.clientId);
  expect(row?.matters[0]).toMatchObject({ kind: "concern", step: "decide" });
  const seen = { id: randomUUID(), visitId, responseId: null };
  await expect(clinic.as("trainer", (ctx) => seeConcern(ctx, client, seen))).rejects.toThrow(
    /Only a therapist marks/,
  );
  await clinic.as("therapist", (ctx) => seeConcern(ctx, client, seen), TUESDAY);
  await clinic.as("therapist", (ctx) => seeConcern(ctx, client, seen), TUESDAY);
  expect(await unseen(client)).toEqual([]);
  await expect(
    clinic.as("therapist", (ctx) => seeConcern(ctx, client, { ...seen, responseId: randomUUID() })),
  ).rejects.toThrow(/sent something else under this id/);
  // a visit of somebody else is none of this client's
  const other = await makeClient(clinic);
  await expect(
    clinic.as("therapist", (ctx) => seeConcern(ctx, other, { ...seen, id: randomUUID() })),
  ).rejects.toThrow(/not there any more/);
  const rows2 = await owner`select 1 from concern_seen where visit_id = ${visitId}`;
  expect(rows2).toHaveLength(1);
});

test("pain of 6 in a set counts while the visit still runs; a stop for want of time does not; nor does what a therapist saw", async () => {
  const { client } = await plannedClient(clinic, {}, [squats()]);
  const visitId = await openedVisit(clinic, client);
  const log = await logOf(clinic, client, MONDAY, { pain: 6 });
  const rated = log.findIndex((e) => e.type === "rate") + 1;
  await sendLog(clinic, visitId, log.slice(0, rated));
  expect((await unseen(client, MONDAY))[0]?.what).toMatchObject({ kind: "pain", pain: 6 });

  const hurried = await plannedClient(clinic, {}, [squats()]);
  const second = await openedVisit(clinic, hurried.client);
  await sendLog(clinic, second, [
    { type: "stop", reason: "time", at: MONDAY.getTime() },
    { type: "finish", painAtEnd: 1, at: MONDAY.getTime() },
  ]);
  expect(await unseen(hurried.client)).toEqual([]);
});

test("a morning of 6 that a trainer entered waits for a therapist; one that a therapist entered, or decided, does not", async () => {
  const { client } = await plannedClient(clinic, {}, [squats()]);
  const visitId = await runVisit(clinic, client, { pain: 1 });
  await morning("trainer", client, visitId, 6);
  const [concern] = await unseen(client);
  expect(concern).toMatchObject({ visitId, what: { kind: "morning_pain", pain: 6 }, by: "Test trainer" });
  await takeAll(clinic, client, TUESDAY);
  expect(await unseen(client)).toEqual([]);

  const own = await plannedClient(clinic, {}, [squats()]);
  const theirs = await runVisit(clinic, own.client, { pain: 1 });
  await morning("therapist", own.client, theirs, 6);
  expect(await unseen(own.client)).toEqual([]);
});

test("a load above its start is refused at the route; where what bounds it became stricter, the floor runs it at the lower load", async () => {
  const gym = await makeClinic();
  await gym.as("therapist", (ctx) =>
    addMachine(ctx, randomUUID(), { ...templateOf("seated_press"), name: "Lane press" }),
  );
  const client = await makeClient(gym, { irritability: "low" });
  const heavy = sheetLineOf("calf_press", STRAIGHT, "one", { loadKg: 150 });
  await expect(gym.as("therapist", (ctx) => saveLines(ctx, client, [heavy]))).rejects.toThrow(
    /above the start of 52.5\skg \(0.75 of the body's weight a foot/,
  );
  const press = sheetLineOf("lp_horizontal", STRAIGHT);
  const sheet = await gym.as("therapist", (ctx) => saveLines(ctx, client, [press]));
  const saved = sheet.lines[0]?.kept?.sets[0]?.loadKg ?? 0;
  expect(saved).toBeGreaterThan(10);
  // a surgeon writes how much the leg may carry meanwhile
  await owner`
    insert into episode_limit (id, clinic_id, episode_id, kind, bound, origin, reason, set_at)
    values (${randomUUID()}, ${gym.id}, ${client.episodeId}, 'weight_on_leg', numrange(null, 10, '[]'), 'surgeon', 'a written note', ${MONDAY})`;
  const [recheckId, id] = [randomUUID(), randomUUID()];
  await gym.as("trainer", async (ctx) => {
    const now = await clientEpisode(ctx, client.clientId);
    await answerRecheck(ctx, now, { id: recheckId, isClear: true, signs: [] });
    await startVisit(ctx, now, { id, versionId: sheet.id, recheckId, startedAt: MONDAY.toISOString() });
  });
  const open = await gym.as("trainer", (ctx) => openVisit(ctx, client.episodeId));
  const set = open?.lines[0]?.sets[0];
  expect(set?.loadKg).toBeLessThan(saved);
  expect(set?.aboveToday).toBe(sheet.lines[0]?.kept?.sets[0]?.how);
});
