import { randomUUID } from "node:crypto";
import { boundsOf } from "@/server/bounds/limits";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { recordTest } from "@/server/measure/measurements";
import { retireSheet } from "@/server/sheets/saveSheet";
import { sheetsOf, versionsOf } from "@/server/versions/sheets";
import {
  closeConnections,
  currentSheet,
  daysLater,
  hold,
  holdWith,
  makeClient,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  saveLines,
  squats,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const versionsIn = (episodeId: string) =>
  owner`select v.* from sheet_version v join sheet s on s.id = v.sheet_id where s.episode_id = ${episodeId} order by v.version`;

test("a saved sheet keeps what was planned and every figure that was computed for it", async () => {
  const line = hold();
  const { client, sheet } = await plannedClient(clinic, {}, [line, squats()]);
  const back = await currentSheet(clinic, client);
  expect(back).toMatchObject({ version: 1, name: "Gym", origin: "desk", by: "Test therapist" });
  expect(back.lines[0]?.plan).toEqual(line);
  const kept = back.lines[0]?.kept;
  expect(kept).toMatchObject({
    lineId: line.lineId,
    kind: "holds",
    machineName: "Bay extension",
    painMax: 5,
  });
  expect(kept?.sets[0]?.how).toMatch(/^pin \d+( \+ 2.5)?$/);
  expect((kept?.sets[0]?.loadKg ?? 0) % 2.5).toBe(0);
  // the aimed force at the pad and the held torque are the same thing over the pad's distance
  expect(kept?.aimForceN).toBeGreaterThan(0);
  expect(kept?.setUp.map((s) => s.name)).toContain("shin pad below the knee");
  expect(back.seconds).toBeGreaterThan(300 + 30 + 2 * 30);
  const [note] = await owner`select deed, before, after from audit where subject_id = ${sheet.sheetId}`;
  expect(note).toMatchObject({ deed: "sheet.write", before: null });
});

test("a client has several sheets at once, each with versions of its own; a line keeps its id through them", async () => {
  const line = hold();
  const { client, sheet } = await plannedClient(clinic, {}, [line]);
  await clinic.as("therapist", (ctx) => saveLines(ctx, client, [squats()], { name: "Home", place: "home" }));
  await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [holdWith({ reps: 3 }, { lineId: line.lineId })], {
      sheetId: sheet.sheetId,
      baseVersion: 1,
    }),
  );
  const sheets = await clinic.as("trainer", (ctx) => sheetsOf(ctx, client.episodeId));
  expect(sheets.map((s) => [s.name, s.version])).toEqual([
    ["Gym", 2],
    ["Home", 1],
  ]);
  const versions = await clinic.as("trainer", (ctx) => versionsOf(ctx, sheet.sheetId, 9));
  expect(versions.map((v) => v.lines[0]?.plan.lineId)).toEqual([line.lineId, line.lineId]);
});

test("sending the same sheet twice keeps one version; another one under its id is refused", async () => {
  const line = hold();
  const client = await makeClient(clinic);
  const [id, sheetId] = [randomUUID(), randomUUID()];
  const save = (items = [line]) =>
    clinic.as("therapist", (ctx) => saveLines(ctx, client, items, { id, sheetId }));
  await save();
  expect((await save()).version).toBe(1);
  await expect(save([holdWith({ reps: 1 }, { lineId: line.lineId })])).rejects.toThrow(
    /before, and differently/,
  );
  expect(await versionsIn(client.episodeId)).toHaveLength(1);
});

describe("is refused, and nothing is written:", () => {
  const refused = async (
    client: Awaited<ReturnType<typeof makeClient>>,
    items: Parameters<typeof saveLines>[2],
    sentence: RegExp,
    role: "therapist" | "trainer" | "admin" = "therapist",
  ) => {
    const before = await versionsIn(client.episodeId);
    await expect(
      clinic.as(role, (ctx) => saveLines(ctx, client, items, { name: "Another" })),
    ).rejects.toThrow(sentence);
    expect(await versionsIn(client.episodeId)).toHaveLength(before.length);
  };

  test("a sheet by a trainer or an admin", async () => {
    const { client } = await plannedClient(clinic);
    await refused(client, [hold()], /Only a therapist changes a dose/, "trainer");
    await refused(client, [hold()], /Only a therapist changes a dose/, "admin");
  });
  test("an angle outside a limit", async () => {
    const { client } = await plannedClient(clinic, { limits: [{ low: 45, high: 90 }] });
    await refused(client, [holdWith({ atDeg: 40 })], /only 45° to 90° are open, because of bend under load/);
    await refused(client, [holdWith({ atDeg: 95 })], /only 45° to 90° are open/);
  });
  test("limits that leave no angle", async () => {
    const client = await makeClient(clinic, {
      limits: [
        { low: 80, high: null },
        { low: null, high: 60 },
      ],
    });
    await refused(client, [hold()], /no knee angle/);
  });
  test("a hold longer than the knee can hold", async () => {
    const { client } = await plannedClient(clinic);
    await refused(
      client,
      [holdWith({ effort: { kind: "percent", percent: 80 }, holdS: 60 })],
      /nobody is expected to hold 60 s/,
    );
  });
  test("a load set by hand that is above what a limit leaves", async () => {
    const { client } = await plannedClient(clinic);
    await refused(client, [hold({ loadKg: 100 })], /is barred, because of/);
  });
  test("a machine whose lightest step is too heavy, while a strap with the cell is taken", async () => {
    const client = await makeClient(clinic);
    const weak = testInput({
      trials: [60, 62].map((forceN) => ({ id: randomUUID(), source: "typed" as const, forceN })),
    });
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, weak));
    await refused(client, [holdWith({ atDeg: 80 })], /the lightest it has is too heavy/);
    const strap = await clinic.as("therapist", (ctx) =>
      saveLines(ctx, client, [holdWith({ atDeg: 80 }, { exerciseId: "kext_iso_manual" })]),
    );
    expect(strap.lines[0]?.kept?.machineName).toBeNull();
  });
  test("two lines with one identifier, a name that is taken", async () => {
    const { client } = await plannedClient(clinic);
    await expect(
      clinic.as("therapist", (ctx) => saveLines(ctx, client, [squats()], { name: "gym" })),
    ).rejects.toThrow(/a sheet called Gym already/);
  });
});

describe("two therapists at the same sheet", () => {
  test("the second is told who was first, and nothing of the first is lost", async () => {
    const { client, sheet } = await plannedClient(clinic);
    const save = (felt: number) =>
      clinic.as("therapist", (ctx) =>
        saveLines(ctx, client, [holdWith({ effort: { kind: "felt", felt } })], {
          sheetId: sheet.sheetId,
          baseVersion: 1,
        }),
      );
    await save(5);
    await expect(save(7)).rejects.toThrow(/Test therapist saved version 2 of this sheet meanwhile/);
    const now = await currentSheet(clinic, client);
    expect(now).toMatchObject({ version: 2, lines: [{ plan: { scheme: { effort: { felt: 5 } } } }] });
  });

  test("at the very same moment one wins and one is told", async () => {
    const { client, sheet } = await plannedClient(clinic);
    const both = await Promise.allSettled(
      [5, 7].map((felt) =>
        clinic.as("therapist", (ctx) =>
          saveLines(ctx, client, [holdWith({ effort: { kind: "felt", felt } })], {
            sheetId: sheet.sheetId,
            baseVersion: 1,
          }),
        ),
      ),
    );
    expect(both.map((b) => b.status).sort()).toEqual(["fulfilled", "rejected"]);
    const lost = both.find((b) => b.status === "rejected") as PromiseRejectedResult;
    expect(String(lost.reason.message)).toMatch(/meanwhile/);
    expect(await versionsIn(client.episodeId)).toHaveLength(2);
  });
});

test("a sheet that is put away is gone from the list, and not while it is run", async () => {
  const { client, sheet } = await plannedClient(clinic);
  const away = () => clinic.as("therapist", (ctx) => retireSheet(ctx, client, sheet.sheetId));
  await openedVisit(clinic, client);
  await expect(away()).rejects.toThrow(/under way/);
  const other = await plannedClient(clinic);
  await clinic.as("therapist", (ctx) => retireSheet(ctx, other.client, other.sheet.sheetId));
  expect(await clinic.as("trainer", (ctx) => sheetsOf(ctx, other.client.episodeId))).toEqual([]);
});

test("a standing order says who gave it, and an old signature is not taken over by a change", async () => {
  const order = {
    allows: "back" as const,
    untilOn: "2026-04-01",
    mostDeg: null,
    mostKg: null,
    by: "Somebody else",
  };
  const line = hold({ standingOrder: order });
  const { client, sheet } = await plannedClient(clinic, {}, [line]);
  expect(sheet.lines[0]?.plan.standingOrder?.by).toBe("Test therapist");
  const again = await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [{ ...line, standingOrder: { ...order, allows: "up" } }], {
      sheetId: sheet.sheetId,
      baseVersion: 1,
    }),
  );
  expect(again.lines[0]?.plan.standingOrder).toMatchObject({ allows: "up", by: "Test therapist" });
});

test("a client whom no rule covers is planned inside the limits that were written by hand", async () => {
  const client = await makeClient(clinic, { limits: [{ low: 30, high: 80 }] });
  const facts = await clinic.as("therapist", (ctx) => sheetFacts(ctx, client));
  expect(facts.choose.limits).toEqual(await clinic.as("therapist", (ctx) => boundsOf(ctx, client)));
  const sheet = await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [squats({ window: { fromDeg: 30, toDeg: 60 } })]),
  );
  expect(sheet.lines[0]?.kept?.toDeg).toBe(60);
});

test("limits that have ended no longer bind", async () => {
  const { client } = await plannedClient(clinic, { limits: [{ low: 45, high: 90 }] });
  await owner`update episode_limit set ends_on = '2026-03-10' where episode_id = ${client.episodeId}`;
  const low = holdWith({ atDeg: 30 }, { ladder: null });
  const on = (day: number) =>
    clinic.as("therapist", (ctx) => saveLines(ctx, client, [low], { name: `On ${day}` }), daysLater(day));
  await expect(on(8)).rejects.toThrow(/only 45°/);
  expect((await on(9)).lines[0]?.kept?.fromDeg).toBe(30);
});
