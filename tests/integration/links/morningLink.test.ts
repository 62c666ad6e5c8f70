import { randomUUID } from "node:crypto";
import type { ClientMorning } from "@/core/visit/client/clientMorning";
import type { ClientEpisode } from "@/server/client/clients";
import { chooseLanguage } from "@/server/client/language";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { takeDecisions } from "@/server/decide/decisions";
import { recentVisits } from "@/server/history/visits";
import { outbox } from "@/server/links/links";
import { behindLink, openLink } from "@/server/links/open";
import { dayBarred } from "@/server/visits/floor";
import { answerMorning, recordMorning } from "@/server/visits/mornings";
import {
  type ClientOptions,
  closeConnections,
  daysLater,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const HERE = "192.0.2.7";
const hour = (h: number, day = 1): Date => new Date(Date.UTC(2026, 2, 2 + day, h - 1));

/** A client after one visit, with the token of the morning's link. */
async function answeredBy(
  o: ClientOptions = {},
): Promise<{ client: ClientEpisode; visitId: string; token: string }> {
  const { client } = await plannedClient(clinic, o);
  const visitId = await runVisit(clinic, client);
  const [message] = await clinic.as("therapist", (ctx) => outbox(ctx, client.episodeId), daysLater(1));
  const token = message?.path.split("/")[2] ?? "";
  return { client, visitId, token };
}

const says = (over: Partial<ClientMorning> = {}): ClientMorning => ({
  id: randomUUID(),
  pain: 1,
  swelling: null,
  stiffnessMin: 10,
  signs: [],
  ...over,
});

async function answer(token: string, at: Date, over: Partial<ClientMorning> = {}) {
  const opened = await openLink(token, "morning", HERE, at);
  return behindLink(opened, at, (ctx, client) =>
    answerMorning(ctx, client, opened.link.visitId ?? "", says(over)),
  );
}

const visitOf = async (client: ClientEpisode) =>
  (await clinic.as("trainer", (ctx) => recentVisits(ctx, client.episodeId))).at(-1);

test("a visit that ended has one link; it goes at seven the next day and opens until that day is over", async () => {
  const { client, visitId, token } = await answeredBy();
  const messages = await clinic.as("trainer", (ctx) => outbox(ctx, client.episodeId), daysLater(1));
  expect(messages).toHaveLength(1);
  expect(messages[0]).toMatchObject({
    purpose: "morning",
    clientName: "Made Up",
    sheet: "Gym",
    sendsAt: new Date("2026-03-03T06:00:00Z"),
    expiresAt: new Date("2026-03-03T23:00:00Z"),
    answered: null,
  });
  expect((await openLink(token, "morning", HERE, hour(9))).link.visitId).toBe(visitId);
  await expect(openLink(token, "morning", HERE, new Date("2026-03-03T23:00:00Z"))).rejects.toThrow(
    "link.run_out",
  );
  // what stands in the address says nothing of anybody
  for (const secret of [client.clientId, client.episodeId, visitId, client.name])
    expect(Buffer.from(token.split(".")[0] ?? "", "base64url").toString("hex")).not.toContain(
      secret.replaceAll("-", ""),
    );
});

test("the clocks go forward in the night: the link still goes at seven and ends at midnight of that day", async () => {
  const { client } = await plannedClient(clinic);
  await runVisit(clinic, client, { at: new Date("2026-03-28T15:00:00Z") });
  const [message] = await clinic.as(
    "trainer",
    (ctx) => outbox(ctx, client.episodeId),
    new Date("2026-03-29T09:00:00Z"),
  );
  expect(message?.sendsAt).toEqual(new Date("2026-03-29T05:00:00Z"));
  expect(message?.expiresAt).toEqual(new Date("2026-03-29T22:00:00Z"));
});

test("the client chooses the language behind any link of theirs", async () => {
  const { client, token } = await answeredBy();
  const choose = async (t: string, at: Date) => {
    const opened = await openLink(t, null, HERE, at);
    return behindLink(opened, at, (ctx, c) => chooseLanguage(ctx, c, "de"));
  };
  await choose(token, hour(9));
  const [kept] = await owner`select language from client where id = ${client.clientId}`;
  expect(kept?.language).toBe("de");
  await expect(choose(token, new Date("2026-03-03T23:00:00Z"))).rejects.toThrow("link.run_out");
});

test("no other token opens anything: changed, cut, of another clinic's key, of another purpose, made up", async () => {
  const { token } = await answeredBy();
  const [id, signature] = token.split(".") as [string, string];
  const other = signature.startsWith("A") ? "B" : "A";
  const wrong = [
    `${id}.${other}${signature.slice(1)}`,
    `${id}.${signature.slice(0, -1)}`,
    `${id}.`,
    id,
    `${token}x`,
    `${signature}.${id}`,
    "",
    `${"a".repeat(22)}.${"b".repeat(32)}`,
  ];
  for (const [i, t] of wrong.entries())
    await expect(openLink(t, "morning", `192.0.2.${100 + i}`, hour(9))).rejects.toThrow("link.wrong");
  await expect(openLink(token, "home", "192.0.2.130", hour(9))).rejects.toThrow("link.wrong");
  // the last letter of base64url holds bits that decode to nothing: only the one spelling opens
  const last = signature.at(-1) as string;
  for (const letter of "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_")
    if (letter !== last)
      await expect(
        openLink(
          `${id}.${signature.slice(0, -1)}${letter}`,
          "morning",
          `192.0.2.${140 + letter.charCodeAt(0) - 45}`,
          hour(9),
        ),
      ).rejects.toThrow("link.wrong");
  await owner`update client_link set revoked_at = ${hour(8)} where clinic_id = ${clinic.id}`;
  await expect(openLink(token, "morning", HERE, hour(9))).rejects.toThrow("link.run_out");
});

test("a flood of wrong links from one place is slowed; from elsewhere the right one still opens at once", async () => {
  const { token } = await answeredBy();
  const flood = `a flood ${randomUUID()}`;
  for (let i = 0; i < 20; i++)
    await expect(openLink(`${"x".repeat(22)}.${"y".repeat(32)}`, "morning", flood, hour(9))).rejects.toThrow(
      "link.wrong",
    );
  const from = Date.now();
  await expect(openLink(`${"x".repeat(22)}.${"y".repeat(32)}`, "morning", flood, hour(9))).rejects.toThrow(
    "link.too_many",
  );
  expect(Date.now() - from).toBeGreaterThanOrEqual(1400);
  await expect(openLink(token, "morning", HERE, hour(9))).resolves.toMatchObject({
    link: { purpose: "morning" },
  });
});

test("from four on, changeable until noon; each change keeps the one before, and the same one twice is one", async () => {
  const { client, token } = await answeredBy();
  await expect(answer(token, hour(3))).rejects.toThrow(/04:00/);
  const id = randomUUID();
  expect(await answer(token, hour(5), { id, pain: 2 })).toEqual({ isKept: true, isAlarming: false });
  expect(await answer(token, hour(5), { id, pain: 2 })).toEqual({ isKept: true, isAlarming: false });
  expect((await visitOf(client))?.morning).toMatchObject({
    pain: 2,
    answeredBy: "client",
    enteredBy: "the client",
  });
  await answer(token, hour(11), { pain: 3 });
  expect((await visitOf(client))?.morning?.pain).toBe(3);
  await expect(answer(token, hour(12), { pain: 0 })).rejects.toThrow(/until noon/);
  const rows = await owner`select pain, corrects from response where clinic_id = ${clinic.id} and id in (
    select r.id from response r join visit v on v.id = r.visit_id where v.episode_id = ${client.episodeId}) order by answered_at`;
  expect(rows.map((r) => r.pain)).toEqual([2, 3]);
  expect(rows[1]?.corrects).toBe(id);
});

test("a first answer may come after noon; once the plan has gone on from it, it stands", async () => {
  const { client, visitId, token } = await answeredBy();
  await answer(token, hour(15), { pain: 1 });
  await clinic.as(
    "therapist",
    async (ctx) => {
      const [draft] = await visitDrafts(ctx, client);
      await takeDecisions(ctx, client, {
        visitId,
        lines: (draft?.lines ?? []).map((l) => ({
          id: randomUUID(),
          lineId: l.plan.lineId,
          action: l.decision.action,
          computedAction: l.decision.action,
          overrideReason: null,
        })),
      });
    },
    hour(16),
  );
  await expect(answer(token, hour(17), { pain: 5 })).rejects.toThrow(/gone on from your answer/);
});

test("what worries stops the floor at once, also when the answer itself comes too late", async () => {
  const { client, token } = await answeredBy();
  await answer(token, hour(8), { pain: 1 });
  const bars = () => clinic.as("trainer", (ctx) => dayBarred(ctx, client), hour(14));
  expect(await bars()).toBeNull();
  expect(await answer(token, hour(13), { pain: 0, signs: ["calf_chest"] })).toEqual({
    isKept: false,
    isAlarming: true,
  });
  expect(await bars()).toMatch(/the client noted it: calf pain/);
  expect((await visitOf(client))?.morning?.pain).toBe(1);
  const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), hour(14));
  expect(draft?.stopsAll).toMatchObject({ action: "STOP_REFER", rules: expect.arrayContaining(["S1"]) });
});

test("more swelling than usual counts as a grade more and steps back; less is no lower than it was", async () => {
  const more = await answeredBy({ swellingApplies: true });
  await answer(more.token, hour(8), { swelling: "more" });
  expect((await visitOf(more.client))?.morning).toMatchObject({ swelling: 1, swellingWord: "more" });
  const less = await answeredBy({ swellingApplies: true });
  await answer(less.token, hour(8), { swelling: "less" });
  expect((await visitOf(less.client))?.morning).toMatchObject({ swelling: 0, swellingWord: "less" });
});

test("who answers by a link may do nothing else, and staff do not answer in the client's name", async () => {
  const { client, visitId, token } = await answeredBy();
  const opened = await openLink(token, "morning", HERE, hour(8));
  const staffs = { id: randomUUID(), visitId, corrects: null, pain: 1, swelling: null, stiffnessMin: null };
  await expect(behindLink(opened, hour(8), (ctx, c) => recordMorning(ctx, c, staffs))).rejects.toThrow(
    /Only a therapist or a trainer/,
  );
  await expect(behindLink(opened, hour(8), (ctx) => outbox(ctx))).rejects.toThrow(
    /Only a therapist or a trainer/,
  );
  await expect(
    clinic.as("therapist", (ctx) => answerMorning(ctx, client, visitId, says()), hour(8)),
  ).rejects.toThrow(/Only the client answers/);
});
