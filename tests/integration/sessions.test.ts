import { randomUUID } from "node:crypto";
import { standing } from "@/core/session/holdRecord";
import type { ClientEpisode } from "@/server/clients";
import { answerRecheck, clearRecheck, lastRecheck } from "@/server/floor/rechecks";
import { endSession, logHold, startSession } from "@/server/floor/running";
import { floorBarred, painMaxFor, sessionsOf } from "@/server/floor/sessions";
import { savePlan } from "@/server/plans";
import {
  closeConnections,
  daysLater,
  holdRecord,
  MONDAY,
  makeClient,
  makeClinic,
  openedSession,
  owner,
  PLAN,
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
const opened = (client: ClientEpisode) => openedSession(clinic, client);

const logged = async (client: ClientEpisode) => {
  const sessions = await clinic.as("trainer", (ctx) => sessionsOf(ctx, client.episodeId));
  return sessions[sessions.length - 1]?.records ?? [];
};

describe("logging holds", () => {
  test("keeps every part of a record, and one record however often it is sent", async () => {
    const { client } = await plannedClient(clinic);
    const session = await opened(client);
    const r = holdRecord();
    for (let i = 0; i < 3; i++) await clinic.as("trainer", (ctx) => logHold(ctx, session, r));
    expect(await logged(client)).toEqual([r]);
  });

  test("a correction names the old record, both stay, one stands", async () => {
    const { client } = await plannedClient(clinic);
    const session = await opened(client);
    const wrong = holdRecord({ painAfter: 3 });
    await clinic.as("trainer", (ctx) => logHold(ctx, session, wrong));
    await clinic.as("trainer", (ctx) =>
      logHold(ctx, session, { ...wrong, id: randomUUID(), corrects: wrong.id, voided: true }),
    );
    const right = holdRecord({ painAfter: 1 });
    await clinic.as("trainer", (ctx) => logHold(ctx, session, right));
    const all = await logged(client);
    expect(all).toHaveLength(3);
    expect(standing(all)).toEqual([right]);
  });

  test("refuses a hold beyond the plan, an unknown session and an admin", async () => {
    const { client } = await plannedClient(clinic);
    const session = await opened(client);
    await expect(
      clinic.as("trainer", (ctx) => logHold(ctx, session, holdRecord({ seq: 3 }))),
    ).rejects.toThrow(/more than the plan/);
    await expect(clinic.as("trainer", (ctx) => logHold(ctx, randomUUID(), holdRecord()))).rejects.toThrow(
      /not known/,
    );
    await expect(clinic.as("admin", (ctx) => logHold(ctx, session, holdRecord()))).rejects.toThrow(
      /therapist or a trainer/,
    );
    expect(await logged(client)).toEqual([]);
  });

  test("closing twice keeps the first closing; another one is refused", async () => {
    const { client } = await plannedClient(clinic);
    const session = await opened(client);
    const end = (painAtEnd: number) =>
      clinic.as("trainer", (ctx) =>
        endSession(ctx, session, {
          endedAt: MONDAY.toISOString(),
          painAtStart: 1,
          painAtEnd,
          feltEffort: 6,
          stopped: null,
        }),
      );
    await end(2);
    await end(2);
    await expect(end(9)).rejects.toThrow(/closed before, with other answers/);
    const [s] = await clinic.as("trainer", (ctx) => sessionsOf(ctx, client.episodeId));
    expect(s?.end).toMatchObject({ painAtEnd: 2, feltEffort: 6 });
  });
});

describe("warning signs", () => {
  test("a yes closes the floor for everybody until a therapist clears it with a reason", async () => {
    const { client, plan } = await plannedClient(clinic);
    const warning = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: warning, isClear: false, signs: [SIGN] }),
    );
    for (const role of ["trainer", "therapist"] as const)
      await expect(
        clinic.as(role, (ctx) =>
          startSession(ctx, client, {
            id: randomUUID(),
            planId: plan.id,
            recheckId: warning,
            startedAt: MONDAY.toISOString(),
          }),
        ),
      ).rejects.toThrow(/warning sign stands since Test trainer noted it: giving way, locking/);
    const clear = (role: "trainer" | "admin" | "therapist") =>
      clinic.as(
        role,
        (ctx) =>
          clearRecheck(ctx, client, { id: randomUUID(), clears: warning, reason: "examined, stable knee" }),
        daysLater(0, 10),
      );
    await expect(clear("trainer")).rejects.toThrow(/Only a therapist clears/);
    await expect(clear("admin")).rejects.toThrow(/Only a therapist clears/);
    await clear("therapist");
    expect(await clinic.as("trainer", (ctx) => floorBarred(ctx, client, plan))).toBeNull();
    await expect(clear("therapist")).rejects.toThrow(/no such warning sign/);
  });

  test("cannot be answered away by asking again", async () => {
    const { client } = await plannedClient(clinic);
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: randomUUID(), isClear: false, signs: [SIGN] }),
    );
    await expect(
      clinic.as(
        "trainer",
        (ctx) => answerRecheck(ctx, client, { id: randomUUID(), isClear: true, signs: [] }),
        daysLater(1),
      ),
    ).rejects.toThrow(/A therapist clears it with a reason first/);
    expect(await clinic.as("trainer", (ctx) => lastRecheck(ctx, client.episodeId))).toMatchObject({
      isClear: false,
    });
  });

  test("both the sign and its clearing are on the record", async () => {
    const { client } = await plannedClient(clinic);
    const warning = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: warning, isClear: false, signs: [SIGN] }),
    );
    await clinic.as(
      "therapist",
      (ctx) => clearRecheck(ctx, client, { id: randomUUID(), clears: warning, reason: "examined" }),
      daysLater(1),
    );
    const notes = await owner`select deed, person_id from audit where subject_id = ${warning} order by id`;
    expect(notes.map((n) => n.deed)).toEqual(["recheck.warning", "recheck.clear"]);
    expect(notes[1]?.person_id).toBe(clinic.actors.therapist.personId);
  });
});

describe("a session starts only", () => {
  const start = (client: ClientEpisode, planId: string, recheckId: string, at = MONDAY) =>
    clinic.as(
      "trainer",
      (ctx) =>
        startSession(ctx, client, { id: randomUUID(), planId, recheckId, startedAt: at.toISOString() }),
      at,
    );

  test("with a plan", async () => {
    const client = await makeClient(clinic);
    await expect(start(client, randomUUID(), randomUUID())).rejects.toThrow(/no dose yet/);
  });
  test("with the newest plan", async () => {
    const { client, plan } = await plannedClient(clinic);
    const newer = { ...PLAN, effort: { kind: "felt" as const, felt: 5 } };
    await clinic.as("therapist", (ctx) =>
      savePlan(ctx, client, { id: randomUUID(), baseVersion: 1, plan: newer }),
    );
    await expect(start(client, plan.id, randomUUID())).rejects.toThrow(/version 2 is current/);
  });
  test("after its own warning-sign questions", async () => {
    const { client, plan } = await plannedClient(clinic);
    await expect(start(client, plan.id, randomUUID())).rejects.toThrow(/Ask the warning signs/);
  });
  test("when none is open: a second tablet is told whose it is", async () => {
    const { client, plan } = await plannedClient(clinic);
    await opened(client);
    const recheckId = randomUUID();
    await clinic.as(
      "therapist",
      (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      daysLater(0, 11),
    );
    await expect(start(client, plan.id, recheckId, daysLater(0, 11))).rejects.toThrow(
      /A session of Test trainer is still open/,
    );
  });
  test("once, when two tablets start at the same moment", async () => {
    const { client, plan } = await plannedClient(clinic);
    const recheckId = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
    );
    const both = await Promise.allSettled([
      start(client, plan.id, recheckId),
      start(client, plan.id, recheckId),
    ]);
    expect(both.map((b) => b.status).sort()).toEqual(["fulfilled", "rejected"]);
    expect(await clinic.as("trainer", (ctx) => sessionsOf(ctx, client.episodeId))).toHaveLength(1);
  });
  test("once the last session is decided", async () => {
    const { client, plan } = await plannedClient(clinic);
    await runSession(clinic, client);
    const recheckId = randomUUID();
    await clinic.as(
      "trainer",
      (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
      daysLater(2),
    );
    await expect(start(client, plan.id, recheckId, daysLater(2))).rejects.toThrow(/no decision yet/);
  });
});

test("the limit on joint pain is the stricter of the school's and the written one", async () => {
  const of = async (o: Parameters<typeof makeClient>[1]) => {
    const client = await makeClient(clinic, o);
    return clinic.as("trainer", (ctx) => painMaxFor(ctx, client));
  };
  expect(await of({})).toBe(5);
  expect(await of({ limits: [{ low: null, high: 3, kind: "joint_pain" }] })).toBe(3);
  expect(await of({ school: "post_op", limits: [{ low: null, high: 4, kind: "joint_pain" }] })).toBe(2);
  expect(await of({ irritability: "high" })).toBe(3);
});
