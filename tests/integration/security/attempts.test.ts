import { randomUUID } from "node:crypto";
import { attemptsOf, keepAttempt, recentAttempts } from "@/server/base/attempts";
import type { Ctx } from "@/server/base/context";
import { attemptOf } from "@/server/base/refused";
import { writeLimit } from "@/server/bounds/limits";
import type { ClientEpisode } from "@/server/client/clients";
import { answerRecheck, clearRecheck } from "@/server/decide/rechecks";
import { type SheetVersion, sheetsOf } from "@/server/versions/sheets";
import {
  closeConnections,
  daysLater,
  hold,
  holdWith,
  MONDAY,
  makeClient,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  saveLines,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** The deed by which a refusal is kept, null for one that nobody has to see; throws where nothing was refused. */
async function deedOf(role: "therapist" | "trainer" | "admin", work: (ctx: Ctx) => Promise<unknown>) {
  const error = await clinic.as(role, work).then(
    () => null,
    (e: unknown) => e,
  );
  if (error === null) throw new Error("nothing was refused");
  return attemptOf(error);
}

const keep = (client: ClientEpisode, over: Partial<Parameters<typeof keepAttempt>[2]> = {}, at = MONDAY) =>
  keepAttempt(clinic.actors.trainer, at, {
    deed: "recheck.clear",
    sentence: "Only a therapist clears a warning sign.",
    clientId: client.clientId,
    visitId: null,
    content: { reason: "looks fine" },
    ...over,
  });
const shown = (client: ClientEpisode) => clinic.as("therapist", (ctx) => attemptsOf(ctx, client.clientId));

test("what role, limits or a warning forbid is marked as an attempt; a slip of the form is not", async () => {
  const { client } = await plannedClient(clinic);
  const sign = randomUUID();
  await clinic.as("trainer", (ctx) =>
    answerRecheck(ctx, client, {
      id: sign,
      isClear: false,
      signs: ["giving_way"],
    }),
  );
  expect(
    await deedOf("trainer", (ctx) =>
      clearRecheck(ctx, client, { id: randomUUID(), clears: sign, reason: "I looked" }),
    ),
  ).toBe("recheck.clear");
  expect(
    await deedOf("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: randomUUID(), isClear: true, signs: [] }),
    ),
  ).toBe("recheck.past");
  const raised = holdWith({ effort: { kind: "percent", percent: 80 }, holdS: 60 });
  expect(await deedOf("therapist", (ctx) => saveLines(ctx, client, [raised], { name: "Another" }))).toBe(
    "plan.barred",
  );
  expect(
    await deedOf("trainer", (ctx) =>
      writeLimit(ctx, client, {
        id: randomUUID(),
        kind: "joint_pain",
        low: null,
        high: 9,
        word: null,
        origin: "therapist",
        reason: "it is fine",
        endsOn: null,
        replaces: null,
        isLifted: false,
        evenIfChanged: false,
      }),
    ),
  ).toBe("limit.write");
  // somebody was merely first: nobody has to look at that
  const [first] = (await clinic.as("therapist", (ctx) => sheetsOf(ctx, client.episodeId))) as [SheetVersion];
  expect(
    await deedOf("therapist", (ctx) =>
      saveLines(ctx, client, [hold()], { sheetId: first.sheetId, baseVersion: 0 }),
    ),
  ).toBeNull();
});

test("an attempt is kept with who, when and what, newest first, and counted for a week", async () => {
  const client = await makeClient(clinic);
  await keep(client);
  await keep(client, { deed: "plan.past", sentence: "Planned past a stop." }, daysLater(3));
  const found = await shown(client);
  expect(found.map((a) => [a.deed, a.by, a.at])).toEqual([
    ["plan.past", clinic.actors.trainer.name, daysLater(3)],
    ["recheck.clear", clinic.actors.trainer.name, MONDAY],
  ]);
  const countAt = async (day: number) =>
    (await clinic.as("therapist", recentAttempts, daysLater(day))).get(client.clientId) ?? 0;
  expect([await countAt(3), await countAt(8), await countAt(11)]).toEqual([2, 1, 0]);
  const [kept] = await owner`
    select content from refused_attempt where client_id = ${client.clientId} and deed = 'recheck.clear'`;
  expect(kept?.content).toEqual({ reason: "looks fine" });
});

test("a visit's attempt belongs to its client; a client that is not there keeps none; what is very long is left out", async () => {
  const { client } = await plannedClient(clinic);
  const visitId = await openedVisit(clinic, client);
  await keep(client, {
    clientId: null,
    visitId,
    deed: "hold.late",
    content: { note: "x".repeat(9000) },
  });
  expect((await shown(client)).map((a) => a.deed)).toEqual(["hold.late"]);
  const [long] = await owner`select content from refused_attempt where client_id = ${client.clientId}`;
  expect(long?.content).toBeNull();
  await keep(client, { clientId: randomUUID(), deed: "story.write" });
  expect(await shown(client)).toHaveLength(1);
});

test("another clinic sees none of it, and nobody takes one back", async () => {
  const client = await makeClient(clinic);
  await keep(client);
  const other = await makeClinic();
  expect(await other.as("therapist", (ctx) => attemptsOf(ctx, client.clientId))).toEqual([]);
  expect((await other.as("therapist", recentAttempts)).get(client.clientId)).toBeUndefined();
  for (const change of ["delete from refused_attempt", "update refused_attempt set deed = 'nothing'"])
    await expect(clinic.as("admin", (ctx) => ctx.tx.unsafe(change))).rejects.toThrow(/permission denied/);
});
