import { randomUUID } from "node:crypto";
import type { ClientEpisode } from "@/server/clients";
import { takeDecision } from "@/server/decisions";
import { recordMorning } from "@/server/floor/responses";
import { endSession, startSession } from "@/server/floor/running";
import { floorBarred, sessionsOf } from "@/server/floor/sessions";
import { currentPlan } from "@/server/plans";
import { answerRecheck, clearRecheck } from "@/server/visits/rechecks";
import {
  closeConnections,
  daysLater,
  MONDAY,
  makeClinic,
  owner,
  plannedClient,
  runSession,
  type TestClinic,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const SIGN = "giving way, locking, catching or a pop" as const;
const TIMES = 20;

const barred = (client: ClientEpisode) =>
  clinic.as("trainer", async (ctx) => floorBarred(ctx, client, await currentPlan(ctx, client.episodeId)));

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

  test("two start a session at once: exactly one is open", async () => {
    for (let i = 0; i < TIMES; i++) {
      const { client, plan } = await plannedClient(clinic);
      const recheckId = randomUUID();
      await clinic.as("trainer", (ctx) =>
        answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      );
      const done = await Promise.allSettled(
        ["therapist", "trainer"].map((role) =>
          clinic.as(role as "trainer", (ctx) =>
            startSession(ctx, client, {
              id: randomUUID(),
              planId: plan.id,
              recheckId,
              startedAt: MONDAY.toISOString(),
            }),
          ),
        ),
      );
      expect(done.filter((d) => d.status === "fulfilled")).toHaveLength(1);
      const rows = await owner`select 1 from floor_session where episode_id = ${client.episodeId}`;
      expect(rows).toHaveLength(1);
    }
  });
});

describe("a tablet whose clock is wrong", () => {
  async function startedAt(client: ClientEpisode, tabletSays: string, now: Date): Promise<string> {
    const id = randomUUID();
    const recheckId = randomUUID();
    const plan = await clinic.as("trainer", (ctx) => currentPlan(ctx, client.episodeId), now);
    await clinic.as(
      "trainer",
      (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      now,
    );
    await clinic.as(
      "trainer",
      (ctx) => startSession(ctx, client, { id, planId: plan?.id ?? "", recheckId, startedAt: tabletSays }),
      now,
    );
    return id;
  }
  const end = (id: string, tabletSays: string, now: Date) =>
    clinic.as(
      "trainer",
      (ctx) =>
        endSession(ctx, id, {
          endedAt: tabletSays,
          painAtStart: 1,
          painAtEnd: 1,
          feltEffort: 6,
          stopped: null,
        }),
      now,
    );

  test.each(["2099-01-01T00:00:00.000Z", "1971-01-01T00:00:00.000Z"])(
    "at %s still needs its decision before the next session, and is kept beside the clinic's time",
    async (says) => {
      const { client } = await plannedClient(clinic);
      const first = await startedAt(client, says, MONDAY);
      await end(first, says, MONDAY);
      expect(await barred(client)).toMatch(/no decision yet/);
      const [row] = await owner`select started_at, tablet_at from floor_session where id = ${first}`;
      expect(row?.started_at).toEqual(MONDAY);
      expect(row?.tablet_at.toISOString()).toBe(says);
    },
  );

  test("decisions, the newest session and the morning follow the clinic's order, whatever tablets say", async () => {
    const { client } = await plannedClient(clinic);
    const first = await startedAt(client, "2099-01-01T00:00:00.000Z", MONDAY);
    await end(first, "2099-01-01T00:00:00.000Z", MONDAY);
    await clinic.as(
      "therapist",
      (ctx) =>
        takeDecision(ctx, client, {
          id: randomUUID(),
          sessionId: first,
          action: "HOLD",
          computedAction: "HOLD",
          overrideReason: null,
        }),
      daysLater(1),
    );
    const second = await startedAt(client, "2000-01-01T00:00:00.000Z", daysLater(2));
    const sessions = await clinic.as("trainer", (ctx) => sessionsOf(ctx, client.episodeId));
    expect(sessions.map((s) => s.id)).toEqual([first, second]);
  });
});

describe("the morning after", () => {
  const answered = (client: ClientEpisode, sessionId: string, at: Date) =>
    clinic.as(
      "trainer",
      (ctx) =>
        recordMorning(ctx, client, {
          id: randomUUID(),
          sessionId,
          corrects: null,
          pain: 1,
          swelling: null,
          stiffnessMin: null,
        }),
      at,
    );

  test("begins at 04:00 of the next day at the clinic: not the same evening, not the night before", async () => {
    const { client } = await plannedClient(clinic);
    const sessionId = await runSession(clinic, client);
    // the clinic is an hour ahead of UTC in March
    for (const early of [daysLater(0, 21), daysLater(1, 0), new Date("2026-03-03T02:59:59Z")])
      await expect(answered(client, sessionId, early)).rejects.toThrow(/begins at 04:00 on 3 Mar 2026/);
    await answered(client, sessionId, new Date("2026-03-03T03:00:00Z"));
  });

  test("nobody steps up before it, not even with a reason; staying may be decided", async () => {
    const { client } = await plannedClient(clinic);
    const sessionId = await runSession(clinic, client);
    const take = (action: "PROGRESS" | "HOLD", overrideReason: string | null) =>
      clinic.as(
        "therapist",
        (ctx) =>
          takeDecision(ctx, client, {
            id: randomUUID(),
            sessionId,
            action,
            computedAction: "HOLD",
            overrideReason,
          }),
        daysLater(0, 18),
      );
    await expect(take("PROGRESS", "felt easy to me")).rejects.toThrow(/before the next morning is known/);
    await take("HOLD", null);
  });
});
