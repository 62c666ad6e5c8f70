import { randomUUID } from "node:crypto";
import type { Ctx } from "@/server/base/context";
import { writeLimit } from "@/server/bounds/limits";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { clientDay } from "@/server/day/clientDay";
import { todayList } from "@/server/day/todayList";
import { waitingDrafts } from "@/server/decide/decisionDrafts";
import { answerRecheck } from "@/server/decide/rechecks";
import { kneeWindowOf } from "@/server/facts/windows";
import { recordMeasurement } from "@/server/measure/otherMeasurements";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  enterMorning,
  hold,
  logOf,
  makeClient,
  makeClinic,
  openedVisit,
  plannedClient,
  saveLines,
  sendLog,
  squats,
  type TestClinic,
  takeAll,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** As a page asks: what was asked once is not asked again, and questions of many travel together. */
const onPage =
  <T>(work: (ctx: Ctx) => Promise<T>) =>
  (ctx: Ctx): Promise<T> =>
    work({ ...ctx, asked: new Map() });

const morningOf = (own: TestClinic, client: ClientEpisode, visitId: string, pain: number, at: Date) =>
  enterMorning(own, client, visitId, at, { pain, stiffnessMin: 5 });

/** Every row of the list says what working it out anew for that client alone says. */
async function expectFresh(at: Date): Promise<Map<string, string>> {
  const rows = await clinic.as("therapist", onPage(todayList), at);
  for (const row of rows) {
    const [day, window] = await clinic.as(
      "therapist",
      async (ctx) => {
        const client = await clientEpisode(ctx, row.client.clientId);
        return Promise.all([clientDay(ctx, client), kneeWindowOf(ctx, client)]);
      },
      at,
    );
    expect({ next: row.next, last: row.last, window: row.window, isSore: row.isSore }).toEqual({
      next: day.next,
      last: day.last,
      window: { fromDeg: window.fromDeg, toDeg: window.toDeg },
      isSore: day.pain !== null,
    });
    expect(row.sheets.map((s) => s.lines)).toEqual(day.sheets.map((s) => s.lines.length));
  }
  return new Map(rows.map((r) => [r.client.clientId, sayPlainly(r.next.why)]));
}

test("after every deed the kept list is what working it out anew says, for the one who changed and for the others", async () => {
  const others = [await plannedClient(clinic), await plannedClient(clinic)];
  const { client } = await plannedClient(clinic);
  const said: (string | undefined)[] = [];
  const after = async (at: Date, deed: () => Promise<unknown>): Promise<void> => {
    await deed();
    const list = await expectFresh(at);
    said.push(list.get(client.clientId));
    for (const o of others) expect(list.get(o.client.clientId)).toBe("Run Gym");
  };
  const as = <T>(at: Date, work: (ctx: Ctx) => Promise<T>) => clinic.as("therapist", work, at);
  const day = daysLater(0);
  const dawn = new Date("2026-03-03T02:30:00Z");
  const morning = daysLater(1);
  let visitId = "";
  await after(day, async () => undefined);
  await after(day, async () => {
    visitId = await openedVisit(clinic, client, day);
  });
  await after(day, async () => sendLog(clinic, visitId, await logOf(clinic, client, day)));
  // the same evening nothing is asked yet; at half past three in the morning neither, at nine it is
  await after(dawn, async () => undefined);
  await after(morning, async () => undefined);
  await after(morning, () => morningOf(clinic, client, visitId, 1, morning));
  await after(morning, () => takeAll(clinic, client, morning));
  await after(morning, () =>
    as(morning, (ctx) => saveLines(ctx, client, [hold(), squats()], { name: "Second" })),
  );
  await after(morning, () =>
    as(morning, (ctx) =>
      writeLimit(ctx, client, {
        id: randomUUID(),
        kind: "knee_flexion_under_load",
        low: 20,
        high: 70,
        word: null,
        origin: "therapist",
        reason: "sore at the end of the bend",
        endsOn: null,
        isLifted: false,
        replaces: null,
        evenIfChanged: false,
      }),
    ),
  );
  await after(morning, () =>
    as(morning, (ctx) =>
      recordMeasurement(ctx, client, {
        id: randomUUID(),
        kind: "daily_pain",
        side: "right",
        value: 8,
        way: null,
        source: "typed",
      } as never),
    ),
  );
  await after(morning, () =>
    as(morning, (ctx) =>
      answerRecheck(ctx, client, {
        id: randomUUID(),
        isClear: false,
        signs: ["unwell"],
      }),
    ),
  );
  expect(said.map((s) => s?.slice(0, 24))).toEqual([
    "Run Gym",
    "A visit is open on the f",
    "The morning after is ask",
    "The morning after is ask",
    "Ask how the morning afte",
    "Decide what comes next: ",
    "Run Gym",
    "Run Gym",
    "Run Gym",
    "Run Gym",
    "A warning sign stands: c",
  ]);
});

test("many asked side by side get what each gets alone", async () => {
  const own = await makeClinic();
  const clients: ClientEpisode[] = [];
  for (let i = 0; i < 4; i++) {
    const { client } = await plannedClient(own);
    clients.push(client);
    for (let v = 0; v < i; v++) {
      const at = daysLater(3 * v);
      const id = await openedVisit(own, client, at);
      await sendLog(own, id, await logOf(own, client, at, { felt: 4 + i }));
      const next = daysLater(3 * v + 1);
      await morningOf(own, client, id, v, next);
      if (v < i - 1) await takeAll(own, client, next);
    }
  }
  clients.push(await makeClient(own));
  const at = daysLater(10);
  const ask = async (ctx: Ctx, client: ClientEpisode) => {
    const [day, [draft]] = [await clientDay(ctx, client), await waitingDrafts(ctx, client)];
    return {
      next: day.next,
      steps: day.steps,
      last: day.last,
      due: day.due,
      actions: draft?.actions ?? null,
    };
  };
  const together = await own.as(
    "therapist",
    onPage((ctx) => Promise.all(clients.map((c) => ask(ctx, c)))),
    at,
  );
  for (const [i, client] of clients.entries())
    expect(together[i]).toEqual(await own.as("therapist", (ctx) => ask(ctx, client), at));
  expect(new Set(together.map((t) => sayPlainly(t.next.why))).size).toBeGreaterThan(2);
  // four clients are made and asked for many times over; a busy machine needs longer than the usual five seconds
}, 20_000);
