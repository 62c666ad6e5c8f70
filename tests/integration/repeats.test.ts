import { randomUUID } from "node:crypto";
import { answerRecheck, lastRecheck } from "@/server/decide/rechecks";
import { recordMorning } from "@/server/visits/mornings";
import { startVisit } from "@/server/visits/running";
import {
  closeConnections,
  daysLater,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  type TestClinic,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

describe("records that come again, late or from elsewhere", () => {
  test("a morning corrects one of its own visit, and the same id says the same", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await runVisit(clinic, client);
    const answer = {
      id: randomUUID(),
      visitId,
      corrects: null,
      pain: 1,
      swelling: null,
      stiffnessMin: 5,
    };
    const send = (over: object) =>
      clinic.as("trainer", (ctx) => recordMorning(ctx, client, { ...answer, ...over }), daysLater(1));
    await send({});
    await send({});
    await expect(send({ pain: 4 })).rejects.toThrow(/sent something else under this id before \(pain 1\)/);
    await expect(send({ id: randomUUID(), corrects: randomUUID() })).rejects.toThrow(
      /answered for this morning already/,
    );
    const rows = await owner`select 1 from response where visit_id = ${visitId}`;
    expect(rows).toHaveLength(1);
  });

  test("warning signs answered for one day open no visit on another", async () => {
    const { client, sheet } = await plannedClient(clinic);
    const recheckId = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
    );
    await expect(
      clinic.as(
        "trainer",
        (ctx) =>
          startVisit(ctx, client, {
            id: randomUUID(),
            versionId: sheet.id,
            recheckId,
            startedAt: daysLater(1).toISOString(),
          }),
        daysLater(1),
      ),
    ).rejects.toThrow(/Ask the warning signs/);
    expect((await clinic.as("trainer", (ctx) => lastRecheck(ctx, client.episodeId)))?.isClear).toBe(true);
  });
});
