import { randomUUID } from "node:crypto";
import type { Action } from "@/core/progression/safetyRules";
import type { ClientEpisode } from "@/server/clients";
import type { Ctx } from "@/server/context";
import { clientDay, todayList } from "@/server/day";
import { proposal, takeDecision } from "@/server/decisions";
import { answerRecheck } from "@/server/floor/rechecks";
import { recordMorning } from "@/server/floor/responses";
import { endSession, startSession } from "@/server/floor/running";
import { floorBarred, sessionsOf } from "@/server/floor/sessions";
import { currentPlan, savePlan } from "@/server/plans";
import {
  type ClientOptions,
  closeConnections,
  daysLater,
  makeClinic,
  owner,
  PLAN,
  plannedClient,
  type RunOptions,
  runSession,
  type TestClinic,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** Runs a session on a day and answers its morning. */
async function sessionWithMorning(
  client: ClientEpisode,
  day: number,
  morning: { pain: number; swelling?: number | null } | null,
  o: RunOptions = {},
): Promise<string> {
  const sessionId = await runSession(clinic, client, { at: daysLater(day), ...o });
  if (morning)
    await clinic.as(
      "trainer",
      (ctx) =>
        recordMorning(ctx, client, {
          id: randomUUID(),
          sessionId,
          corrects: null,
          pain: morning.pain,
          swelling: morning.swelling ?? null,
          stiffnessMin: null,
        }),
      daysLater(day + 1, 7),
    );
  return sessionId;
}

async function take(client: ClientEpisode, day: number, over: { action?: Action; reason?: string } = {}) {
  return clinic.as(
    "therapist",
    async (ctx) => {
      const draft = await proposal(ctx, client);
      if (!draft) throw new Error("nothing to decide");
      const action = over.action ?? draft.decision.action;
      await takeDecision(ctx, client, {
        id: randomUUID(),
        sessionId: draft.session.id,
        action,
        computedAction: draft.decision.action,
        overrideReason: over.reason ?? null,
      });
      return draft;
    },
    daysLater(day),
  );
}

/** An accepted stay, as a page that saw that draft would send it. */
const stay = (sessionId: string) =>
  ({ id: randomUUID(), sessionId, action: "HOLD", computedAction: "HOLD", overrideReason: null }) as const;

const draftOf = (client: ClientEpisode, day: number) =>
  clinic.as("trainer", (ctx) => proposal(ctx, client), daysLater(day));

const PLANNED: ClientOptions = {};

test("two good sessions climb one rung; the bank counts one session once", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 1 });
  const first = await take(client, 2);
  expect(first.decision).toMatchObject({ action: "HOLD", rules: ["P6"] });
  await sessionWithMorning(client, 2, { pain: 1 });
  const second = await take(client, 4);
  expect(second.decision).toMatchObject({ action: "PROGRESS", rules: ["P7"] });
  const plan = await clinic.as("trainer", (ctx) => currentPlan(ctx, client.episodeId));
  expect(plan).toMatchObject({
    version: 2,
    plan: { kneeFlexionDeg: 75, effort: PLAN.effort, pattern: PLAN.pattern },
  });
  // after the step the bank is empty again
  await sessionWithMorning(client, 5, { pain: 1 });
  expect((await draftOf(client, 7))?.decision).toMatchObject({ action: "HOLD", rules: ["P6"] });
});

test("no morning, no step: it holds and says what is missing", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, null);
  const draft = await draftOf(client, 2);
  expect(draft?.decision.rules).toContain("H9");
  expect(draft?.decision.reasons.map((r) => r.reason).join()).toMatch(/the next morning/);
});

test("a sore morning steps back one rung", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 3 });
  const draft = await take(client, 2);
  expect(draft.decision).toMatchObject({ action: "REGRESS", rules: ["R4"] });
  const plan = await clinic.as("trainer", (ctx) => currentPlan(ctx, client.episodeId));
  expect(plan?.plan.kneeFlexionDeg).toBe(45);
});

test("a second step back in a row asks for a clinical review and closes the floor until a new plan", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 3 });
  await take(client, 2);
  await sessionWithMorning(client, 2, { pain: 3 });
  const draft = await take(client, 4);
  expect(draft.decision).toMatchObject({ action: "STOP_REFER", rules: ["R4", "S5"] });
  const barred = async () =>
    clinic.as(
      "trainer",
      async (ctx) => floorBarred(ctx, client, await currentPlan(ctx, client.episodeId)),
      daysLater(5),
    );
  expect(await barred()).toMatch(/stop and refer/);
  const day = await clinic.as("trainer", (ctx) => clientDay(ctx, client), daysLater(5));
  expect(day.next).toMatchObject({ step: "dose", needsHand: true });
  expect(day.steps.floor).toEqual({ state: "blocked", words: "stopped, refer" });
  const version = (await clinic.as("trainer", (ctx) => currentPlan(ctx, client.episodeId)))?.version ?? 0;
  await clinic.as(
    "therapist",
    (ctx) =>
      savePlan(ctx, client, {
        id: randomUUID(),
        baseVersion: version,
        plan: { ...PLAN, effort: { kind: "felt", felt: 3.5 } },
      }),
    daysLater(6),
  );
  expect(await barred()).toBeNull();
});

test("a plan written before the decision to stop does not open the floor after it", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 1 });
  const softer = { ...PLAN, effort: { kind: "felt" as const, felt: 4 } };
  const save = (ctx: Ctx, baseVersion: number) =>
    savePlan(ctx, client, { id: randomUUID(), baseVersion, plan: softer });
  await clinic.as("therapist", (ctx) => save(ctx, 1), daysLater(1));
  await take(client, 2, { action: "STOP_REFER", reason: "a lump behind the knee" });
  const barred = () =>
    clinic.as(
      "trainer",
      async (ctx) => floorBarred(ctx, client, await currentPlan(ctx, client.episodeId)),
      daysLater(4),
    );
  expect(await barred()).toMatch(/stop and refer/);
  await clinic.as("therapist", (ctx) => save(ctx, 2), daysLater(3));
  expect(await barred()).toBeNull();
});

test("a warning sign that stands makes the draft stop and refer", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 1 });
  await clinic.as(
    "trainer",
    (ctx) =>
      answerRecheck(ctx, client, {
        id: randomUUID(),
        isClear: false,
        signs: ["giving way, locking, catching or a pop"],
      }),
    daysLater(2),
  );
  expect((await draftOf(client, 2))?.decision).toMatchObject({ action: "STOP_REFER", rules: ["S1"] });
});

test("pain on arrival counts even when it ended the session before the first hold", async () => {
  const { client, plan } = await plannedClient(clinic, PLANNED);
  const [sessionId, recheckId] = [randomUUID(), randomUUID()];
  await clinic.as("trainer", async (ctx) => {
    await answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] });
    await startSession(ctx, client, {
      id: sessionId,
      planId: plan.id,
      recheckId,
      startedAt: ctx.now.toISOString(),
    });
    await endSession(ctx, sessionId, {
      endedAt: ctx.now.toISOString(),
      painAtStart: 6,
      painAtEnd: 6,
      feltEffort: null,
      stopped: "joint pain of 6 before the hold is above the limit of 5",
    });
  });
  const draft = await draftOf(client, 1);
  expect(draft?.input).toMatchObject({ painBefore: 6, painDuring: null });
  expect(draft?.decision).toMatchObject({ action: "REGRESS", rules: ["R7"] });
});

test("swelling is compared with the grade before, and only where it applies", async () => {
  const { client } = await plannedClient(clinic, { swellingApplies: true, school: "post_op" });
  await sessionWithMorning(client, 0, { pain: 1, swelling: 0 });
  await take(client, 2);
  await sessionWithMorning(client, 2, { pain: 1, swelling: 1 });
  expect((await draftOf(client, 4))?.decision).toMatchObject({ action: "REGRESS", rules: ["R5"] });
  const { client: other } = await plannedClient(clinic, { swellingApplies: false });
  await sessionWithMorning(other, 0, { pain: 1, swelling: 4 });
  expect((await draftOf(other, 2))?.input).toMatchObject({ effusion: null, effusionApplies: false });
});

describe("taking another decision than the draft", () => {
  test("needs a reason and keeps both", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    const sessionId = await sessionWithMorning(client, 0, { pain: 1 });
    await take(client, 2, { action: "REGRESS", reason: "long shift tomorrow" });
    const [row] = await owner`select * from decision where session_id = ${sessionId}`;
    expect(row).toMatchObject({
      computed_action: "HOLD",
      action: "REGRESS",
      override_reason: "long shift tomorrow",
      banks: false,
      rules: ["P6"],
    });
    const [note] =
      await owner`select before, after from audit where deed = 'decision.take' and subject_id = ${sessionId}`;
    expect(note?.after).toMatchObject({ action: "REGRESS", overrideReason: "long shift tomorrow" });
  });
  test("without one the database itself refuses", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    await sessionWithMorning(client, 0, { pain: 1 });
    await expect(take(client, 2, { action: "REGRESS" })).rejects.toThrow(/check constraint/);
  });
  test("a stay that overrides a step back banks nothing", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    await sessionWithMorning(client, 0, { pain: 3 });
    await take(client, 2, { action: "HOLD", reason: "slept badly, not the knee" });
    const [s] = await clinic.as("trainer", (ctx) => sessionsOf(ctx, client.episodeId));
    expect(s?.decided).toMatchObject({ action: "HOLD", banks: false });
  });
});

describe("a decision is taken once, by a therapist, on what was seen", () => {
  test("a trainer may read the draft and not take it", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    const sessionId = await sessionWithMorning(client, 0, { pain: 1 });
    const taken = stay(sessionId);
    for (const role of ["trainer", "admin"] as const)
      await expect(clinic.as(role, (ctx) => takeDecision(ctx, client, taken), daysLater(2))).rejects.toThrow(
        /Only a therapist takes the decision/,
      );
    expect(await owner`select 1 from decision where session_id = ${sessionId}`).toHaveLength(0);
  });

  test("sent twice it is one; a second one of another is refused", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    const sessionId = await sessionWithMorning(client, 0, { pain: 1 });
    const taken = stay(sessionId);
    const send = (t: Parameters<typeof takeDecision>[2]) =>
      clinic.as("therapist", (ctx) => takeDecision(ctx, client, t), daysLater(2));
    await send(taken);
    await send(taken);
    await expect(send({ ...taken, id: randomUUID() })).rejects.toThrow(/decided already/);
    expect(await owner`select 1 from decision where session_id = ${sessionId}`).toHaveLength(1);
  });

  test("two at the same moment: one is taken, one is told", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    await sessionWithMorning(client, 0, { pain: 3 });
    const both = await Promise.allSettled([take(client, 2), take(client, 2)]);
    expect(both.map((b) => b.status).sort()).toEqual(["fulfilled", "rejected"]);
    const plans = await owner`select version from hold_plan where episode_id = ${client.episodeId}`;
    expect(plans).toHaveLength(2);
  });

  test("if the morning was corrected meanwhile, the old draft is not taken", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    const sessionId = await sessionWithMorning(client, 0, { pain: 1 });
    const seen = await draftOf(client, 2);
    await clinic.as(
      "trainer",
      (ctx) =>
        recordMorning(ctx, client, {
          id: randomUUID(),
          sessionId,
          corrects: seen?.session.morning?.id ?? null,
          pain: 6,
          swelling: null,
          stiffnessMin: 60,
        }),
      daysLater(2),
    );
    const stale = stay(sessionId);
    await expect(
      clinic.as("therapist", (ctx) => takeDecision(ctx, client, stale), daysLater(2)),
    ).rejects.toThrow(/facts changed meanwhile/);
  });

  test("after it, the morning's answer is closed", async () => {
    const { client } = await plannedClient(clinic, PLANNED);
    const sessionId = await sessionWithMorning(client, 0, { pain: 1 });
    await take(client, 2);
    await expect(
      clinic.as(
        "trainer",
        (ctx) =>
          recordMorning(ctx, client, {
            id: randomUUID(),
            sessionId,
            corrects: null,
            pain: 0,
            swelling: null,
            stiffnessMin: null,
          }),
        daysLater(2, 10),
      ),
    ).rejects.toThrow(/can no longer change it/);
  });
});

test("a newer plan that a therapist wrote after the session is not overwritten by the decision", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 3 });
  const newer = { ...PLAN, effort: { kind: "felt" as const, felt: 4 } };
  await clinic.as(
    "therapist",
    (ctx) => savePlan(ctx, client, { id: randomUUID(), baseVersion: 1, plan: newer }),
    daysLater(1),
  );
  await take(client, 2);
  const plan = await clinic.as("trainer", (ctx) => currentPlan(ctx, client.episodeId));
  expect(plan).toMatchObject({ version: 2, plan: newer });
});

test("holds that were missed twice and felt too hard step back", async () => {
  const { client } = await plannedClient(clinic, PLANNED);
  await sessionWithMorning(client, 0, { pain: 1 }, { heldS: 15, feltEffort: 9 });
  expect((await take(client, 2)).decision).toMatchObject({ action: "HOLD", rules: ["P2"] });
  await sessionWithMorning(client, 2, { pain: 1 }, { heldS: 15, feltEffort: 9 });
  expect((await draftOf(client, 4))?.decision).toMatchObject({ action: "REGRESS", rules: ["P1"] });
});

test("Today says of each client what comes next, those who need a hand first", async () => {
  const own = await makeClinic();
  const calm = await plannedClient(own);
  const waiting = await plannedClient(own);
  await runSession(own, waiting.client);
  const list = await own.as("trainer", (ctx) => todayList(ctx), daysLater(1));
  expect(list.map((d) => d.client.clientId)).toEqual([waiting.client.clientId, calm.client.clientId]);
  expect(list[0]?.next).toEqual({
    step: "morning",
    sentence: "Ask how the morning after was",
    needsHand: true,
  });
  expect(list[1]?.next).toEqual({ step: "floor", sentence: "Run the holds", needsHand: false });
  expect(list[0]?.last).toMatchObject({ before: 1, after: 1, morning: null, on: "2026-03-02" });
});
