import { randomUUID } from "node:crypto";
import type { Ctx } from "@/server/base/context";
import type { ClientEpisode } from "@/server/client/clients";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { takeDecisions } from "@/server/decide/decisions";
import { answerRecheck, clearRecheck } from "@/server/decide/rechecks";
import { recentVisits } from "@/server/history/visits";
import { floorBarred } from "@/server/visits/floor";
import { recordMorning } from "@/server/visits/mornings";
import { logEvent, startVisit } from "@/server/visits/running";
import {
  closeConnections,
  currentSheet,
  daysLater,
  logOf,
  MONDAY,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  runVisit,
  squats,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** Every line of a visit in one way. */
async function decideAll(
  ctx: Ctx,
  client: ClientEpisode,
  visitId: string,
  action: "PROGRESS" | "HOLD",
  overrideReason: string | null,
) {
  const draft = (await visitDrafts(ctx, client)).find((d) => d.visit.id === visitId);
  await takeDecisions(ctx, client, {
    visitId,
    lines: (draft?.lines ?? []).map((l) => ({
      id: randomUUID(),
      lineId: l.plan.lineId,
      action,
      computedAction: l.decision.action,
      overrideReason,
    })),
  });
}
const stayAll = (ctx: Ctx, client: ClientEpisode, visitId: string) =>
  decideAll(ctx, client, visitId, "HOLD", null);

const SIGN = "giving_way" as const;
const TIMES = 20;

const barred = (client: ClientEpisode) =>
  clinic.as("trainer", async (ctx) => floorBarred(ctx, client, await currentSheet(clinic, client)));

describe("two people at once", () => {
  test("one notes a warning sign while the other answers none: the warning always bars", async () => {
    const { client } = await plannedClient(clinic);
    for (let i = 0; i < TIMES; i++) {
      const [sign, none] = [randomUUID(), randomUUID()];
      // the clocks of two requests differ, in both directions
      const [a, b] =
        i % 2 ? [MONDAY, new Date(MONDAY.getTime() + 50)] : [new Date(MONDAY.getTime() + 50), MONDAY];
      const work = [
        () =>
          clinic.as(
            "therapist",
            (ctx) => answerRecheck(ctx, client, { id: sign, isClear: false, signs: [SIGN] }),
            a,
          ),
        () =>
          clinic.as(
            "trainer",
            (ctx) => answerRecheck(ctx, client, { id: none, isClear: true, signs: [] }),
            b,
          ),
      ];
      const turned = i % 3 ? work : [...work].reverse();
      await Promise.allSettled(turned.map((w) => w()));
      expect(await barred(client)).toMatch(/warning sign stands/);
      await clinic.as("therapist", (ctx) =>
        clearRecheck(ctx, client, { id: randomUUID(), clears: sign, reason: "looked at, nothing found" }),
      );
      expect(await barred(client)).toBeNull();
    }
  });

  test("a sign that was noted twice is cleared twice", async () => {
    const { client } = await plannedClient(clinic);
    const ids = [randomUUID(), randomUUID()];
    await Promise.all(
      ids.map((id) =>
        clinic.as("trainer", (ctx) => answerRecheck(ctx, client, { id, isClear: false, signs: [SIGN] })),
      ),
    );
    for (const clears of ids) {
      expect(await barred(client)).toMatch(/warning sign stands/);
      await clinic.as("therapist", (ctx) =>
        clearRecheck(ctx, client, { id: randomUUID(), clears, reason: "looked at, nothing found" }),
      );
    }
    expect(await barred(client)).toBeNull();
  });

  test("two start a visit at once: exactly one is open", async () => {
    for (let i = 0; i < TIMES; i++) {
      const { client, sheet } = await plannedClient(clinic);
      const recheckId = randomUUID();
      await clinic.as("trainer", (ctx) =>
        answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      );
      const done = await Promise.allSettled(
        ["therapist", "trainer"].map((role) =>
          clinic.as(role as "trainer", (ctx) =>
            startVisit(ctx, client, {
              id: randomUUID(),
              versionId: sheet.id,
              recheckId,
              startedAt: MONDAY.toISOString(),
            }),
          ),
        ),
      );
      expect(done.filter((d) => d.status === "fulfilled")).toHaveLength(1);
      const rows = await owner`select 1 from visit where episode_id = ${client.episodeId}`;
      expect(rows).toHaveLength(1);
    }
  });
});

describe("a tablet whose clock is wrong", () => {
  /** As a device sends it: with what it thinks the time is. */
  const sent = <T>(work: (ctx: Ctx) => Promise<T>, deviceSays: string, now: Date) =>
    clinic.as("trainer", (ctx) => work({ ...ctx, deviceNow: new Date(deviceSays) }), now);
  async function startedAt(client: ClientEpisode, tabletSays: string, now: Date): Promise<string> {
    const id = randomUUID();
    const recheckId = randomUUID();
    const sheet = await currentSheet(clinic, client, now);
    await sent(
      (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      tabletSays,
      now,
    );
    await sent(
      (ctx) => startVisit(ctx, client, { id, versionId: sheet.id, recheckId, startedAt: tabletSays }),
      tabletSays,
      now,
    );
    return id;
  }
  /** Stopped at once and closed. */
  const end = async (id: string, tabletSays: string, now: Date) => {
    const at = Date.parse(tabletSays);
    for (const [i, entry] of [
      { type: "stop" as const, reason: "time", at },
      { type: "finish" as const, painAtEnd: 1, at },
    ].entries())
      await sent((ctx) => logEvent(ctx, id, { seq: i + 1, entry }), tabletSays, now);
  };

  test.each([
    "2099-01-01T00:00:00.000Z",
    "1971-01-01T00:00:00.000Z",
    "+010000-06-01T00:00:00.000Z",
    new Date(MONDAY.getTime() - 86_400_000).toISOString(),
  ])(
    "at %s still needs its decision before the next visit, and is kept beside the clinic's time",
    async (says) => {
      const { client } = await plannedClient(clinic);
      const first = await startedAt(client, says, MONDAY);
      await end(first, says, MONDAY);
      expect(await barred(client)).toMatch(/no decision yet/);
      const [row] = await owner`select started_at, tablet_at from visit where id = ${first}`;
      expect(row?.started_at).toEqual(MONDAY);
      expect(row?.tablet_at.getTime()).toBe(Math.min(Date.parse(says), Date.UTC(9999, 0, 1)));
      // the next morning is none minutes after the visit
      const soon = new Date(MONDAY.getTime() + 600_000);
      await expect(sent((ctx) => recordMorning(ctx, client, morningOf(first)), says, soon)).rejects.toThrow(
        /begins at 04:00 on 3 Mar 2026/,
      );
    },
  );

  test("opens no visit with warning signs that were asked the day before", async () => {
    const { client } = await plannedClient(clinic);
    const recheckId = randomUUID();
    const yesterday = new Date(MONDAY.getTime() - 86_400_000);
    const sheet = await currentSheet(clinic, client);
    await sent(
      (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      "2026-03-01T09:00:00Z",
      yesterday,
    );
    const start = { id: randomUUID(), versionId: sheet.id, recheckId, startedAt: "2026-03-01T09:05:00Z" };
    await expect(sent((ctx) => startVisit(ctx, client, start), start.startedAt, MONDAY)).rejects.toThrow(
      /Ask the warning signs before this visit/,
    );
  });

  test("what waited on a device is kept as of when it was done, by what passed on the device", async () => {
    const { client } = await plannedClient(clinic, {}, [squats()]);
    const visitId = await openedVisit(clinic, client);
    const log = await logOf(clinic, client, MONDAY);
    // three hours late, from a tablet that is a year ahead
    const off = 365 * 86_400_000;
    const late = new Date(MONDAY.getTime() + 3 * 3_600_000);
    for (const [i, e] of log.entries())
      await sent(
        (ctx) => logEvent(ctx, visitId, { seq: i + 1, entry: { ...e, at: e.at + off } }),
        new Date(late.getTime() + off).toISOString(),
        late,
      );
    const [row] = await owner`select min(started_at) as first from set_record where visit_id = ${visitId}`;
    expect(Math.abs(row?.first.getTime() - MONDAY.getTime())).toBeLessThan(600_000);
  });

  test("decisions, the newest visit and the morning follow the clinic's order, whatever tablets say", async () => {
    const { client } = await plannedClient(clinic);
    const first = await startedAt(client, "2099-01-01T00:00:00.000Z", MONDAY);
    await end(first, "2099-01-01T00:00:00.000Z", MONDAY);
    await clinic.as("therapist", (ctx) => stayAll(ctx, client, first), daysLater(1));
    const second = await startedAt(client, "2000-01-01T00:00:00.000Z", daysLater(2));
    const visits = await clinic.as("trainer", (ctx) => recentVisits(ctx, client.episodeId));
    expect(visits.map((v) => v.id)).toEqual([first, second]);
  });
});

const morningOf = (visitId: string) => ({
  id: randomUUID(),
  visitId,
  corrects: null,
  pain: 1,
  swelling: null,
  stiffnessMin: null,
});

describe("the morning after", () => {
  const answered = (client: ClientEpisode, visitId: string, at: Date) =>
    clinic.as("trainer", (ctx) => recordMorning(ctx, client, morningOf(visitId)), at);

  test("begins at 04:00 of the next day at the clinic: not the same evening, not the night before", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await runVisit(clinic, client);
    // the clinic is an hour ahead of UTC in March
    for (const early of [daysLater(0, 21), daysLater(1, 0), new Date("2026-03-03T02:59:59Z")])
      await expect(answered(client, visitId, early)).rejects.toThrow(/begins at 04:00 on 3 Mar 2026/);
    await answered(client, visitId, new Date("2026-03-03T03:00:00Z"));
  });

  test("nobody steps up before it, not even with a reason; staying may be decided", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await runVisit(clinic, client);
    const take = (action: "PROGRESS" | "HOLD", overrideReason: string | null) =>
      clinic.as(
        "therapist",
        (ctx) => decideAll(ctx, client, visitId, action, overrideReason),
        daysLater(0, 18),
      );
    await expect(take("PROGRESS", "felt easy to me")).rejects.toThrow(/before the next morning is known/);
    await take("HOLD", null);
  });
});
