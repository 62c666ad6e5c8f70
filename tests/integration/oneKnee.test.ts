import { randomUUID } from "node:crypto";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { clientDay } from "@/server/day/clientDay";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { takeDecisions } from "@/server/decide/decisions";
import { chooseReturn } from "@/server/decide/returns";
import { visitsDone } from "@/server/history/past";
import { recentVisits } from "@/server/history/visits";
import { outbox } from "@/server/links/links";
import { type SheetVersion, versionById } from "@/server/versions/sheets";
import { floorBarred } from "@/server/visits/floor";
import { answerMorning } from "@/server/visits/mornings";
import { keepBlock } from "@/server/week/blocks";
import {
  closeConnections,
  daysLater,
  enterMorning,
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
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const TUESDAY = daysLater(1);

/** A client with two sheets in force. */
async function twoSheets(o: Parameters<typeof plannedClient>[1] = {}) {
  const { client, sheet } = await plannedClient(clinic, o, [squats()]);
  const home = await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [squats()], { name: "Home", place: "home" }),
  );
  return { client, gym: sheet, home };
}
const barred = (client: ClientEpisode, sheet: SheetVersion, at = TUESDAY) =>
  clinic.as("trainer", (ctx) => floorBarred(ctx, client, sheet), at);
const morning = (
  client: ClientEpisode,
  visitId: string,
  pain: number,
  over: { swelling?: number; id?: string } = {},
) => enterMorning(clinic, client, visitId, TUESDAY, { pain, ...over });

test("a sore morning with swelling after one sheet keeps every sheet closed until its visit is decided", async () => {
  const { client, gym, home } = await twoSheets({ swellingApplies: true });
  const visitId = await runVisit(clinic, client, { sheet: gym });
  expect(await barred(client, home)).toBeNull();
  await morning(client, visitId, 4, { swelling: 1 });
  expect(await barred(client, home)).toMatch(/^After Gym of 2 Mar 2026: .+ It is one knee/);
  const day = await clinic.as("therapist", (ctx) => clientDay(ctx, client), TUESDAY);
  expect(day.steps.floor.state).toBe("blocked");
  await takeAll(clinic, client, TUESDAY);
  expect(await barred(client, home)).toBeNull();
});

test("a quiet morning closes nothing but its own sheet; a stop closes all of them, and stays with a decision to stop", async () => {
  const { client, gym, home } = await twoSheets();
  const quiet = await runVisit(clinic, client, { sheet: gym });
  await morning(client, quiet, 1);
  expect(await barred(client, home)).toBeNull();
  await takeAll(clinic, client, TUESDAY);
  const stopped = await openedVisit(clinic, client, TUESDAY, home);
  await sendLog(clinic, stopped, [
    { type: "stop", reason: "Sharp, sudden or giving-way pain", at: TUESDAY.getTime() },
    { type: "finish", painAtEnd: 3, at: TUESDAY.getTime() },
  ]);
  const [newest] = await clinic.as(
    "trainer",
    (ctx) =>
      ctx.tx<
        { id: string }[]
      >`select v.id from sheet_version v where v.sheet_id = ${gym.sheetId} order by version desc limit 1`,
  );
  const now = await clinic.as("trainer", (ctx) => versionById(ctx, newest?.id ?? ""));
  expect(await barred(client, now)).toMatch(/sharp, sudden or giving-way pain\. It is one knee/);
  await clinic.as(
    "therapist",
    async (ctx) => {
      const [draft] = await visitDrafts(ctx, client);
      const computed = draft?.lines[0]?.decision.action ?? "HOLD";
      const overrideReason = computed === "STOP_REFER" ? null : "it gave way, to the physician";
      await takeDecisions(ctx, client, {
        visitId: stopped,
        lines: [
          { id: randomUUID(), lineId: null, action: "STOP_REFER", computedAction: computed, overrideReason },
        ],
      });
    },
    TUESDAY,
  );
  expect(await barred(client, now)).toMatch(/The last decision was to stop and refer/);
});

test("all sheets of a day have one morning, one link and count as one visit", async () => {
  const { client, gym, home } = await twoSheets({ swellingApplies: true });
  const first = await runVisit(clinic, client, { sheet: gym });
  const second = await runVisit(clinic, client, { sheet: home, at: daysLater(0, 15) });
  const sent = await clinic.as("trainer", (ctx) => outbox(ctx, client.episodeId), TUESDAY);
  expect(sent.filter((m) => m.purpose === "morning").map((m) => m.visitId)).toEqual([first]);
  await morning(client, second, 2, { swelling: 1 });
  const visits = await clinic.as("trainer", (ctx) => recentVisits(ctx, client.episodeId), TUESDAY);
  expect(visits.map((v) => v.morning?.pain)).toEqual([2, 2]);
  // the morning after is no swelling of before, for neither of them
  const drafts = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), TUESDAY);
  expect(drafts.map((d) => d.lines[0]?.input.effusionBefore)).toEqual([0, 0]);
  expect(await clinic.as("trainer", (ctx) => visitsDone(ctx, client.episodeId, 8), TUESDAY)).toBe(1);
});

test("two people at one morning: a worse answer is kept as a correction and said, a milder one is refused with what stands", async () => {
  const { client, gym } = await twoSheets({ swellingApplies: true });
  const visitId = await runVisit(clinic, client, { sheet: gym });
  const answers = await Promise.allSettled([
    morning(client, visitId, 8, { swelling: 1 }),
    morning(client, visitId, 2, { swelling: 1 }),
  ]);
  const [visit] = await clinic.as("trainer", (ctx) => recentVisits(ctx, client.episodeId), TUESDAY);
  // whoever came first, the pain of 8 has not vanished
  expect(visit?.morning?.pain).toBe(8);
  const refused = answers.filter((a) => a.status === "rejected").map((a) => String(a.reason));
  const corrected = answers.flatMap((a) =>
    a.status === "fulfilled" && a.value.corrected ? [a.value.corrected] : [],
  );
  expect([...refused, ...corrected].join()).toMatch(
    /answered for this morning already: joint pain [28], swelling trace/,
  );
  const rows =
    await owner`select pain, corrects from response where visit_id = ${visitId} order by answered_at, corrects nulls first`;
  expect(rows.filter((r) => r.corrects === null)).toHaveLength(1);
  // the client's own answer does not write over the clinic's
  const own = clinic.as(
    "therapist",
    async (ctx) =>
      answerMorning({ ...ctx, actor: { ...ctx.actor, role: "client" } }, client, visitId, {
        id: randomUUID(),
        pain: 1,
        swelling: "same",
        stiffnessMin: null,
        signs: [],
      }),
    TUESDAY,
  );
  await expect(own).rejects.toThrow(/Your clinic has written down how this morning was already/);
});

test("after ten days off no sheet runs before a therapist has chosen how to go on", async () => {
  const { client, gym, home } = await twoSheets();
  const visitId = await runVisit(clinic, client, { sheet: gym });
  await morning(client, visitId, 1);
  await takeAll(clinic, client, TUESDAY);
  const later = daysLater(11);
  expect(await barred(client, home, daysLater(9))).toBeNull();
  expect(await barred(client, home, later)).toMatch(/^Nothing was done for 11 days: one step back/);
  await clinic.as(
    "therapist",
    async (ctx) =>
      chooseReturn(ctx, await clientEpisode(ctx, client.clientId), {
        id: randomUUID(),
        visitId,
        proposed: "step_back",
        chosen: "same",
        reason: "was on holiday and walked a lot",
        because: "travel",
        bedDays: 0,
      }),
    later,
  );
  expect(await barred(client, home, later)).toBeNull();
});

test("two therapists who keep days at once: one block stands, the other is told whose", async () => {
  const { client } = await twoSheets();
  const keep = () =>
    clinic.as("therapist", (ctx) =>
      keepBlock(ctx, client, {
        id: randomUUID(),
        startsOn: "2026-03-02",
        buildWeeks: 4,
        keepWeeks: 0,
        wishes: {},
        minutes: Array(7).fill(60),
        gym: Array(7).fill(true),
        away: [],
        days: [],
        replaces: null,
      }),
    );
  const kept = await Promise.allSettled([keep(), keep()]);
  expect(kept.filter((k) => k.status === "fulfilled")).toHaveLength(1);
  expect(kept.flatMap((k) => (k.status === "rejected" ? [String(k.reason)] : [])).join()).toMatch(
    /Test therapist kept other days meanwhile/,
  );
});
