import { randomUUID } from "node:crypto";
import type { HoldRecord } from "@/core/session/holdRecord";
import type { ClientEpisode } from "@/server/clients";
import { takeDecision } from "@/server/decisions";
import { recordMorning } from "@/server/floor/responses";
import { logHold, startSession } from "@/server/floor/running";
import { savePlan } from "@/server/plans";
import { answerRecheck, lastRecheck } from "@/server/visits/rechecks";
import {
  closeConnections,
  daysLater,
  holdRecord,
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

describe("records that come again, late or from elsewhere", () => {
  const log = (session: string, r: HoldRecord) => clinic.as("trainer", (ctx) => logHold(ctx, session, r));
  const count = async (session: string) =>
    (await owner`select 1 from hold_record where session_id = ${session}`).length;

  async function opened(): Promise<{ client: ClientEpisode; session: string }> {
    const { client } = await plannedClient(clinic);
    return { client, session: await openedSession(clinic, client) };
  }

  test("the same id with other content is refused, never answered as if it were written", async () => {
    const { session } = await opened();
    const r = holdRecord();
    await log(session, r);
    await log(session, r);
    for (const other of [{ painAfter: 9 }, { heldS: 5 }, { seq: 2 }, { early: "joint_pain" as const }])
      await expect(log(session, { ...r, ...other })).rejects.toThrow(/logged before, with other numbers/);
    const { session: elsewhere } = await opened();
    await expect(log(elsewhere, r)).rejects.toThrow(/in another session/);
    expect(await count(session)).toBe(1);
    expect(await count(elsewhere)).toBe(0);
  });

  test("nothing is added after the end or the decision; what was there before may be sent again", async () => {
    const { client } = await plannedClient(clinic);
    const session = await runSession(clinic, client);
    const before = await count(session);
    await expect(log(session, holdRecord())).rejects.toThrow(/This session is closed/);
    await clinic.as(
      "therapist",
      (ctx) =>
        takeDecision(ctx, client, {
          id: randomUUID(),
          sessionId: session,
          action: "HOLD",
          computedAction: "HOLD",
          overrideReason: null,
        }),
      daysLater(1),
    );
    await expect(log(session, holdRecord())).rejects.toThrow(/has been decided/);
    expect(await count(session)).toBe(before);
  });

  test("a correction names a record of the same session, of the same clinic", async () => {
    const { session } = await opened();
    const other = await makeClinic();
    const theirs = await plannedClient(other);
    await runSession(other, theirs.client);
    const [foreign] = await owner`
      select r.id from hold_record r join floor_session s on s.id = r.session_id
      where s.episode_id = ${theirs.client.episodeId} limit 1`;
    await expect(log(session, holdRecord({ corrects: foreign?.id as string }))).rejects.toThrow(
      /not in this session/,
    );
    expect(await count(session)).toBe(0);
  });

  test("a morning corrects one of its own session, and the same id says the same", async () => {
    const { client } = await plannedClient(clinic);
    const sessionId = await runSession(clinic, client);
    const answer = {
      id: randomUUID(),
      sessionId,
      corrects: null,
      pain: 1,
      swelling: null,
      stiffnessMin: 5,
    };
    const send = (over: object) =>
      clinic.as("trainer", (ctx) => recordMorning(ctx, client, { ...answer, ...over }), daysLater(1));
    await send({});
    await send({});
    await expect(send({ pain: 4 })).rejects.toThrow(/entered before, with other answers/);
    await expect(send({ id: randomUUID(), corrects: randomUUID() })).rejects.toThrow(/not of this session/);
    const rows = await owner`select 1 from morning_response where session_id = ${sessionId}`;
    expect(rows).toHaveLength(1);
  });

  test("a plan sent again under its id says the same or is refused", async () => {
    const { client, plan } = await plannedClient(clinic);
    const save = (over: object) =>
      clinic.as("therapist", (ctx) =>
        savePlan(ctx, client, { id: plan.id, baseVersion: 0, plan: { ...PLAN, ...over } }),
      );
    expect((await save({})).version).toBe(1);
    await expect(save({ kneeFlexionDeg: 75 })).rejects.toThrow(/saved before, and differently/);
  });

  test("warning signs answered for one day open no session on another", async () => {
    const { client, plan } = await plannedClient(clinic);
    const recheckId = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
    );
    await expect(
      clinic.as(
        "trainer",
        (ctx) =>
          startSession(ctx, client, {
            id: randomUUID(),
            planId: plan.id,
            recheckId,
            startedAt: daysLater(1).toISOString(),
          }),
        daysLater(1),
      ),
    ).rejects.toThrow(/Ask the warning signs/);
    expect((await clinic.as("trainer", (ctx) => lastRecheck(ctx, client.episodeId)))?.isClear).toBe(true);
  });
});
