import { randomUUID } from "node:crypto";
import type { Action } from "@/core/progression/safetyRules";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import type { ClientEpisode } from "@/server/client/clients";
import { clientDay } from "@/server/day/clientDay";
import { todayList } from "@/server/day/todayList";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { takeDecisions } from "@/server/decide/decisions";
import { answerRecheck } from "@/server/decide/rechecks";
import { recentVisits } from "@/server/history/visits";
import { floorBarred } from "@/server/visits/floor";
import {
  closeConnections,
  currentSheet,
  daysLater,
  enterMorning,
  hold,
  holdWith,
  makeClinic,
  owner,
  plannedClient,
  type RunOptions,
  runVisit,
  saveLines,
  squats,
  type TestClinic,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** Runs a visit on a day and answers its morning. */
async function visitWithMorning(
  client: ClientEpisode,
  day: number,
  morning: { pain: number; swelling?: number | null } | null,
  o: RunOptions = {},
): Promise<string> {
  const visitId = await runVisit(clinic, client, { at: daysLater(day), ...o });
  if (morning) await answer(client, visitId, day + 1, morning);
  return visitId;
}

const answer = (
  client: ClientEpisode,
  visitId: string,
  day: number,
  morning: { pain: number; swelling?: number | null; corrects?: string | null },
  hour = 7,
) => enterMorning(clinic, client, visitId, daysLater(day, hour), morning);

const draftOf = (client: ClientEpisode, day: number) =>
  clinic.as("trainer", async (ctx) => (await visitDrafts(ctx, client))[0] ?? null, daysLater(day));
/** What is drafted for the first line. */
const firstOf = async (client: ClientEpisode, day: number) => (await draftOf(client, day))?.lines[0];

/** Takes what is drafted, or something else for the first line. */
async function take(client: ClientEpisode, day: number, over: { action?: Action; reason?: string } = {}) {
  return clinic.as(
    "therapist",
    async (ctx) => {
      const [draft] = await visitDrafts(ctx, client);
      const first = draft?.lines[0];
      if (!draft || !first) throw new Error("nothing to decide");
      await takeDecisions(ctx, client, {
        visitId: draft.visit.id,
        lines: draft.stopsAll
          ? [
              {
                id: randomUUID(),
                lineId: null,
                action: "STOP_REFER",
                computedAction: "STOP_REFER",
                overrideReason: null,
              },
            ]
          : draft.lines.map((l) => ({
              id: randomUUID(),
              lineId: l.plan.lineId,
              action: l === first ? (over.action ?? l.decision.action) : l.decision.action,
              computedAction: l.decision.action,
              overrideReason: l === first ? (over.reason ?? null) : null,
            })),
      });
      return first;
    },
    daysLater(day),
  );
}

/** An accepted stay of the first line, as a page that saw that draft would send it. */
const stay = (visitId: string, line: SheetLine) => ({
  visitId,
  lines: [
    {
      id: randomUUID(),
      lineId: line.lineId,
      action: "HOLD" as const,
      computedAction: "HOLD" as const,
      overrideReason: null,
    },
  ],
});
const sheetNow = (client: ClientEpisode, day = 30) => currentSheet(clinic, client, daysLater(day));
const planned = async (o: Parameters<typeof plannedClient>[1] = {}) => {
  const line = hold();
  return { line, ...(await plannedClient(clinic, o, [line])) };
};
/** A knee that asks for two good visits before a step. */
const MODERATE = { irritability: "moderate" } as const;
const barredOn = (client: ClientEpisode, day: number) =>
  clinic.as(
    "trainer",
    async (ctx) => floorBarred(ctx, client, await currentSheet(clinic, client, daysLater(day))),
    daysLater(day),
  );
/** Saves the newest sheet anew with a gentler hold. */
const gentler = async (client: ClientEpisode, day: number, felt: number) => {
  const now = await sheetNow(client, day);
  await clinic.as(
    "therapist",
    (ctx) =>
      saveLines(
        ctx,
        client,
        [holdWith({ effort: { kind: "felt", felt } }, { lineId: now.lines[0]?.plan.lineId ?? "" })],
        {
          sheetId: now.sheetId,
          baseVersion: now.version,
        },
      ),
    daysLater(day),
  );
};

test("two good visits climb one rung; the bank counts one visit once", async () => {
  const { client } = await planned(MODERATE);
  await visitWithMorning(client, 0, { pain: 1 });
  expect((await take(client, 2)).decision).toMatchObject({ action: "HOLD", rules: ["P6"] });
  await visitWithMorning(client, 2, { pain: 1 });
  expect((await take(client, 4)).decision).toMatchObject({ action: "PROGRESS", rules: ["P7"] });
  expect(await sheetNow(client)).toMatchObject({
    version: 2,
    origin: "decision",
    lines: [{ plan: { scheme: { atDeg: 65, holdS: 30, effort: { felt: 6 } } } }],
  });
  // after the step the bank is empty again
  await visitWithMorning(client, 5, { pain: 1 });
  expect((await firstOf(client, 7))?.decision).toMatchObject({ action: "HOLD", rules: ["P6"] });
});

test("no morning, no step: it holds and says what is missing", async () => {
  const { client } = await planned();
  await visitWithMorning(client, 0, null);
  const draft = await firstOf(client, 2);
  expect(draft?.decision.rules).toContain("H9");
  expect(draft?.decision.reasons[0]?.why).toMatchObject({ facts: expect.arrayContaining(["morning"]) });
});

test("a sore morning steps every line back, each in its own way, together as one version", async () => {
  const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
  await visitWithMorning(client, 0, { pain: 3 });
  const draft = await draftOf(client, 2);
  expect(draft?.lines.map((l) => [l.decision.action, l.decision.rules])).toEqual([
    ["REGRESS", ["R4"]],
    ["REGRESS", ["R4"]],
  ]);
  expect(draft?.lines.map((l) => l.next.REGRESS.sentence)).toEqual([
    "Hold at 45° instead of 60°.",
    "6 repetitions instead of 8.",
  ]);
  await take(client, 2);
  const next = await sheetNow(client);
  expect(next.version).toBe(2);
  expect(next.lines.map((l) => l.plan.scheme)).toMatchObject([{ atDeg: 45 }, { reps: 6 }]);
});

test("a line's draft follows from its own sets: pain in another line changes nothing of it", async () => {
  const [calm, sore] = [hold(), squats()];
  const { client } = await plannedClient(clinic, {}, [calm, sore]);
  const visitId = await visitWithMorning(client, 0, { pain: 1 });
  const before = await draftOf(client, 2);
  await owner`update set_record set pain = 5, reserve = 0 where visit_id = ${visitId} and line_id = ${sore.lineId}`;
  const after = await draftOf(client, 2);
  expect(after?.lines[0]?.decision).toEqual(before?.lines[0]?.decision);
  expect(after?.lines[1]?.decision).not.toEqual(before?.lines[1]?.decision);
});

test("a second step back in a row asks for a clinical review and closes the floor until a new version", async () => {
  const { client } = await planned();
  await visitWithMorning(client, 0, { pain: 3 });
  await take(client, 2);
  await visitWithMorning(client, 2, { pain: 3 });
  expect((await take(client, 4)).decision).toMatchObject({ action: "STOP_REFER", rules: ["R4", "S5"] });
  expect(await barredOn(client, 5)).toMatch(/stop and refer/);
  const day = await clinic.as("trainer", (ctx) => clientDay(ctx, client), daysLater(5));
  expect(day.next).toMatchObject({ step: "dose", needsHand: true });
  expect(day.steps.floor).toEqual({ state: "blocked", why: { code: "path.stopped" } });
  await gentler(client, 6, 3.5);
  expect(await barredOn(client, 6)).toBeNull();
});

test("a version written before the decision to stop does not open the floor after it", async () => {
  const { client } = await planned();
  await visitWithMorning(client, 0, { pain: 1 });
  await gentler(client, 1, 4);
  await take(client, 2, { action: "STOP_REFER", reason: "a lump behind the knee" });
  expect(await barredOn(client, 4)).toMatch(/stop and refer/);
  await gentler(client, 4, 4);
  expect(await barredOn(client, 4)).toBeNull();
});

test("one line of several that is stopped is gone from the next version; the others go on", async () => {
  const [first, second] = [hold(), squats()];
  const { client } = await plannedClient(clinic, {}, [first, second]);
  await visitWithMorning(client, 0, { pain: 1 });
  await take(client, 2, { action: "STOP_REFER", reason: "a new pain behind the kneecap" });
  expect((await sheetNow(client)).lines.map((l) => l.plan.lineId)).toEqual([second.lineId]);
  expect(await barredOn(client, 3)).toBeNull();
});

test("a warning sign that stands is one decision for all lines: stop and refer", async () => {
  const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
  const visitId = await visitWithMorning(client, 0, { pain: 1 });
  await clinic.as(
    "trainer",
    (ctx) =>
      answerRecheck(ctx, client, {
        id: randomUUID(),
        isClear: false,
        signs: ["giving_way"],
      }),
    daysLater(2),
  );
  const draft = await draftOf(client, 2);
  expect(draft?.stopsAll).toMatchObject({ action: "STOP_REFER", rules: ["S1"] });
  // no way past it line by line, nor by another action with a reason
  const [line] = draft?.lines ?? [];
  const past = (lineId: string | null, action: "HOLD" | "STOP_REFER") =>
    clinic.as(
      "therapist",
      (ctx) =>
        takeDecisions(ctx, client, {
          visitId,
          lines: [
            {
              id: randomUUID(),
              lineId,
              action,
              computedAction: "STOP_REFER",
              overrideReason: action === "HOLD" ? "it looked fine to me" : null,
            },
          ],
        }),
      daysLater(2),
    );
  await expect(past(line?.plan.lineId ?? null, "HOLD")).rejects.toThrow(/stops all lines/);
  await expect(past(line?.plan.lineId ?? null, "STOP_REFER")).rejects.toThrow(/stops all lines/);
  await expect(past(null, "HOLD")).rejects.toThrow(/stops all lines/);
  await take(client, 2);
  const rows = await owner`select line_id, action from decision where visit_id = ${visitId}`;
  expect(rows.map((r) => ({ ...r }))).toEqual([{ line_id: null, action: "STOP_REFER" }]);
  expect(await draftOf(client, 3)).toBeNull();
});

test("pain on arrival counts even when it ended the visit before the first set", async () => {
  const { client } = await planned();
  await runVisit(clinic, client, { painBefore: 6, painAtEnd: 6 });
  const draft = await firstOf(client, 1);
  expect(draft?.input).toMatchObject({ painBefore: 6, painDuring: null });
  expect(draft?.decision).toMatchObject({ action: "REGRESS", rules: ["R7"] });
});

test("swelling is compared with the grade before, and only where it applies", async () => {
  const { client } = await plannedClient(clinic, { swellingApplies: true, school: "post_op" });
  await visitWithMorning(client, 0, { pain: 1, swelling: 0 });
  await take(client, 2);
  await visitWithMorning(client, 2, { pain: 1, swelling: 1 });
  expect((await firstOf(client, 4))?.decision).toMatchObject({ action: "REGRESS", rules: ["R5"] });
  const { client: other } = await plannedClient(clinic, { swellingApplies: false });
  await visitWithMorning(other, 0, { pain: 1, swelling: 4 });
  expect((await firstOf(other, 2))?.input).toMatchObject({ effusion: null, effusionApplies: false });
});

test("sets climb by repetitions to the top of their range; a coarse stack then asks for its repetitions first", async () => {
  const line: SheetLine = {
    lineId: randomUUID(),
    exerciseId: "kext_full",
    scheme: {
      kind: "straight",
      sets: 1,
      reps: 12,
      reserve: 4,
      tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
      restS: 60,
    },
    legs: "together",
    window: null,
    sharesRests: false,
    ladder: { of: "reps", least: 12, most: 14 },
  };
  const { client } = await plannedClient(clinic, {}, [line]);
  await visitWithMorning(client, 0, { pain: 1 });
  expect((await take(client, 2)).decision.rules).toEqual(["P4"]);
  const more = (await sheetNow(client)).lines[0]?.plan;
  expect(more?.scheme).toMatchObject({ reps: 14 });
  for (const day of [3, 6]) {
    await visitWithMorning(client, day, { pain: 1 });
    await take(client, day + 2);
  }
  // 20 to 22.5 kg is more than a step: repetitions come first (dosing rules D4)
  const last = (await clinic.as("trainer", (ctx) => recentVisits(ctx, client.episodeId), daysLater(9))).at(
    -1,
  );
  expect(last?.decisions[0]?.sentence).toMatch(
    /^18 repetitions instead of 16: the next step, pin .*, asks for \d+ first\.$/,
  );
  expect((await sheetNow(client)).lines[0]?.plan).toMatchObject({
    scheme: { reps: 18 },
    loadKg: more?.loadKg,
  });
});

describe("taking another decision than the draft", () => {
  test("needs a reason and keeps both", async () => {
    const { client } = await planned(MODERATE);
    const visitId = await visitWithMorning(client, 0, { pain: 1 });
    await take(client, 2, { action: "REGRESS", reason: "long shift tomorrow" });
    const [row] = await owner`select * from decision where visit_id = ${visitId}`;
    expect(row).toMatchObject({
      computed_action: "HOLD",
      action: "REGRESS",
      override_reason: "long shift tomorrow",
      banks: false,
      rules: ["P6"],
    });
    const [note] =
      await owner`select before, after from audit where deed = 'decision.take' and subject_id = ${visitId}`;
    expect(note?.after).toMatchObject({ actions: ["REGRESS"], overrideReasons: ["long shift tomorrow"] });
  });
  test("without one the database itself refuses", async () => {
    const { client } = await planned();
    await visitWithMorning(client, 0, { pain: 1 });
    await expect(take(client, 2, { action: "REGRESS" })).rejects.toThrow(/check constraint/);
  });
  test("a stay that overrides a step back banks nothing", async () => {
    const { client } = await planned();
    await visitWithMorning(client, 0, { pain: 3 });
    await take(client, 2, { action: "HOLD", reason: "slept badly, not the knee" });
    const [v] = await clinic.as("trainer", (ctx) => recentVisits(ctx, client.episodeId));
    expect(v?.decisions[0]).toMatchObject({ action: "HOLD", banks: false });
  });
});

describe("a decision is taken once, by a therapist, on what was seen", () => {
  test("a trainer may read the draft and not take it", async () => {
    const { client, line } = await planned();
    const visitId = await visitWithMorning(client, 0, { pain: 1 });
    const taken = stay(visitId, line);
    for (const role of ["trainer", "admin"] as const)
      await expect(clinic.as(role, (ctx) => takeDecisions(ctx, client, taken), daysLater(2))).rejects.toThrow(
        /Only a therapist takes the decision/,
      );
    expect(await owner`select 1 from decision where visit_id = ${visitId}`).toHaveLength(0);
  });

  test("sent twice it is one; a second one of another is refused", async () => {
    const { client, line } = await planned(MODERATE);
    const visitId = await visitWithMorning(client, 0, { pain: 1 });
    const taken = stay(visitId, line);
    const send = (t: Parameters<typeof takeDecisions>[2]) =>
      clinic.as("therapist", (ctx) => takeDecisions(ctx, client, t), daysLater(2));
    await send(taken);
    await send(taken);
    await expect(send(stay(visitId, line))).rejects.toThrow(/decided already/);
    expect(await owner`select 1 from decision where visit_id = ${visitId}`).toHaveLength(1);
  });

  test("two at the same moment: one is taken, one is told", async () => {
    const { client } = await planned();
    await visitWithMorning(client, 0, { pain: 3 });
    const both = await Promise.allSettled([take(client, 2), take(client, 2)]);
    expect(both.map((b) => b.status).sort()).toEqual(["fulfilled", "rejected"]);
    expect((await sheetNow(client)).version).toBe(2);
  });

  test("if the morning was corrected meanwhile, the old draft is not taken", async () => {
    const { client, line } = await planned();
    const visitId = await visitWithMorning(client, 0, { pain: 1 });
    const seen = await draftOf(client, 2);
    await answer(client, visitId, 2, { pain: 6, corrects: seen?.visit.morning?.id ?? null }, 9);
    const stale = stay(visitId, line);
    await expect(
      clinic.as("therapist", (ctx) => takeDecisions(ctx, client, stale), daysLater(2)),
    ).rejects.toThrow(/facts changed meanwhile/);
  });

  test("after it, the morning's answer is closed", async () => {
    const { client } = await planned();
    const visitId = await visitWithMorning(client, 0, { pain: 1 });
    await take(client, 2);
    await expect(answer(client, visitId, 2, { pain: 0 }, 10)).rejects.toThrow(/can no longer change it/);
  });
});

test("a newer version that a therapist wrote after the visit is not overwritten by the decision", async () => {
  const { client } = await planned();
  await visitWithMorning(client, 0, { pain: 3 });
  await gentler(client, 1, 4);
  await take(client, 2);
  expect(await sheetNow(client)).toMatchObject({
    version: 2,
    origin: "desk",
    lines: [{ plan: { scheme: { atDeg: 60, effort: { felt: 4 } } } }],
  });
});

test("holds that were missed twice and felt too hard step back", async () => {
  const { client } = await planned();
  await visitWithMorning(client, 0, { pain: 1 }, { heldS: 15, felt: 9 });
  expect((await take(client, 2)).decision).toMatchObject({ action: "HOLD", rules: ["P2"] });
  await visitWithMorning(client, 2, { pain: 1 }, { heldS: 15, felt: 9 });
  expect((await firstOf(client, 4))?.decision).toMatchObject({ action: "REGRESS", rules: ["P1"] });
});

test("Today says of each client what comes next, those who need a hand first", async () => {
  const own = await makeClinic();
  const calm = await plannedClient(own);
  const waiting = await plannedClient(own);
  await runVisit(own, waiting.client);
  const list = await own.as("trainer", (ctx) => todayList(ctx), daysLater(1));
  expect(list.map((d) => d.client.clientId)).toEqual([waiting.client.clientId, calm.client.clientId]);
  expect(list[0]?.next).toEqual({
    step: "morning",
    why: { code: "desk.ask_morning" },
    needsHand: true,
  });
  expect(list[1]?.next).toMatchObject({
    step: "floor",
    query: expect.stringMatching(/^\?sheet=/),
    why: { code: "desk.run", names: ["Gym"] },
    needsHand: false,
  });
  expect(list[0]?.last).toMatchObject({ before: 1, after: 1, morning: null, on: "2026-03-02" });
});

describe("a standing order", () => {
  const ordered = (allows: "back" | "up", over: object = {}) =>
    hold({ standingOrder: { allows, untilOn: "2026-04-30", mostDeg: null, mostKg: null, ...over } });
  const decisionsOf = (visitId: string) =>
    owner`select line_id, action, by_order_of, sentence from decision where visit_id = ${visitId}`;

  test("runs a step by itself when the morning is known, and says by whose order", async () => {
    const { client } = await plannedClient(clinic, MODERATE, [ordered("up")]);
    const first = await visitWithMorning(client, 0, { pain: 1 });
    expect(await decisionsOf(first)).toMatchObject([{ action: "HOLD", by_order_of: "Test therapist" }]);
    expect(await barredOn(client, 2)).toBeNull();
    const second = await visitWithMorning(client, 2, { pain: 1 });
    expect(await decisionsOf(second)).toMatchObject([{ action: "PROGRESS" }]);
    expect(await sheetNow(client)).toMatchObject({
      version: 2,
      origin: "standing_order",
      lines: [{ plan: { scheme: { atDeg: 65 }, standingOrder: { by: "Test therapist" } } }],
    });
  });

  test("that only steps back leaves a step up to the therapist", async () => {
    const { client } = await plannedClient(clinic, MODERATE, [ordered("back")]);
    await visitWithMorning(client, 0, { pain: 1 });
    const second = await visitWithMorning(client, 2, { pain: 1 });
    expect(await decisionsOf(second)).toEqual([]);
    expect((await firstOf(client, 4))?.decision.action).toBe("PROGRESS");
    await take(client, 4);
    const sore = await visitWithMorning(client, 5, { pain: 3 });
    expect(await decisionsOf(sore)).toMatchObject([{ action: "REGRESS", by_order_of: "Test therapist" }]);
  });

  test("steps up to where it says and no further, until its last day and not after it", async () => {
    const { client } = await plannedClient(clinic, MODERATE, [ordered("up", { mostDeg: 60 })]);
    await visitWithMorning(client, 0, { pain: 1 });
    expect(await decisionsOf(await visitWithMorning(client, 2, { pain: 1 }))).toEqual([]);
    const ended = await plannedClient(clinic, {}, [ordered("up", { untilOn: "2026-03-02" })]);
    expect(await decisionsOf(await visitWithMorning(ended.client, 0, { pain: 1 }))).toEqual([]);
  });

  test("waits where something stops: a second step back, a warning sign", async () => {
    const { client } = await plannedClient(clinic, {}, [ordered("up")]);
    await visitWithMorning(client, 0, { pain: 3 });
    const second = await visitWithMorning(client, 2, { pain: 3 });
    expect(await decisionsOf(second)).toEqual([]);
    expect((await firstOf(client, 4))?.decision).toMatchObject({ action: "STOP_REFER" });
    expect(await barredOn(client, 4)).toMatch(/It is one knee: a therapist decides that visit/);
  });

  test("of one line decides that line; the other waits, and both come into the sheet", async () => {
    const other = squats();
    const { client } = await plannedClient(clinic, {}, [ordered("up"), other]);
    const visitId = await visitWithMorning(client, 0, { pain: 3 });
    expect((await decisionsOf(visitId)).map((d) => d.action)).toEqual(["REGRESS"]);
    const draft = await draftOf(client, 2);
    expect(draft?.lines.map((l) => l.plan.lineId)).toEqual([other.lineId]);
    await take(client, 2);
    const sheet = await sheetNow(client);
    expect(sheet.version).toBe(3);
    expect(sheet.lines.map((l) => l.plan.scheme)).toMatchObject([{ atDeg: 45 }, { reps: 6 }]);
  });
});
