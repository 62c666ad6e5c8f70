import { randomUUID } from "node:crypto";
import type { RequestKind } from "@/core/requests/requestInput";
import { clientDay } from "@/server/day/clientDay";
import { answerRequest, makeRequest, requestsOf } from "@/server/requests/requests";
import { sheetsOf } from "@/server/versions/sheets";
import {
  closeConnections,
  daysLater,
  makeClinic,
  plannedClient,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const asked = (over: object = {}) => ({
  id: randomUUID(),
  kind: "heavier" as RequestKind,
  sheetId: null,
  lineId: null,
  words: "three easy weeks",
  ...over,
});

test("a trainer asks; it stands on the desk until a therapist answers, and the answer is read back", async () => {
  const { client } = await plannedClient(clinic);
  const r = asked();
  const matters = async () =>
    (await clinic.as("therapist", (ctx) => clientDay(ctx, client))).matters.filter(
      (m) => m.kind === "request",
    );
  await clinic.as("trainer", (ctx) => makeRequest(ctx, client, r));
  await clinic.as("trainer", (ctx) => makeRequest(ctx, client, r));
  expect(await matters()).toEqual([
    expect.objectContaining({
      requestId: r.id,
      why: {
        code: "desk.request",
        by: "Test trainer",
        kind: "heavier",
        words: "three easy weeks",
      },
    }),
  ]);
  await clinic.as("therapist", (ctx) =>
    answerRequest(ctx, r.id, { isAllowed: false, answer: "not before Monday" }),
  );
  expect(await matters()).toEqual([]);
  const [seen] = await clinic.as("trainer", (ctx) => requestsOf(ctx, client.episodeId));
  expect(seen).toMatchObject({ isAllowed: false, answer: "not before Monday", answeredBy: "Test therapist" });
  expect(await clinic.as("trainer", (ctx) => requestsOf(ctx, client.episodeId), daysLater(8))).toEqual([]);
});

test("allowing changes no sheet by itself: what runs is still what a therapist saved", async () => {
  const { client } = await plannedClient(clinic);
  const r = asked({ kind: "wider" });
  const before = await clinic.as("trainer", (ctx) => sheetsOf(ctx, client.episodeId));
  await clinic.as("trainer", (ctx) => makeRequest(ctx, client, r));
  await clinic.as("therapist", (ctx) => answerRequest(ctx, r.id, { isAllowed: true, answer: null }));
  expect(await clinic.as("trainer", (ctx) => sheetsOf(ctx, client.episodeId))).toEqual(before);
});

test("only a therapist answers, once; a second answer that differs is told who was first", async () => {
  const { client } = await plannedClient(clinic);
  const r = asked();
  await clinic.as("trainer", (ctx) => makeRequest(ctx, client, r));
  for (const role of ["trainer", "admin"] as const)
    await expect(
      clinic.as(role, (ctx) => answerRequest(ctx, r.id, { isAllowed: true, answer: null })),
    ).rejects.toThrow(/Only a therapist allows or refuses/);
  await expect(clinic.as("admin", (ctx) => makeRequest(ctx, client, asked()))).rejects.toThrow(
    /Only those who run/,
  );
  await clinic.as("therapist", (ctx) => answerRequest(ctx, r.id, { isAllowed: true, answer: null }));
  await clinic.as("therapist", (ctx) => answerRequest(ctx, r.id, { isAllowed: true, answer: null }));
  await expect(
    clinic.as("therapist", (ctx) => answerRequest(ctx, r.id, { isAllowed: false, answer: "too soon" })),
  ).rejects.toThrow(/Test therapist allowed it meanwhile/);
  await expect(
    clinic.as("trainer", (ctx) => makeRequest(ctx, client, { ...r, words: "something else" })),
  ).rejects.toThrow(/sent something else under this id before \(words /);
  const other = await makeClinic();
  await expect(
    other.as("therapist", (ctx) => answerRequest(ctx, r.id, { isAllowed: false, answer: "not ours" })),
  ).rejects.toThrow(/not there any more/);
});
