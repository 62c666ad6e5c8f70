import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import { NOTHING_BESIDE } from "@/core/measure/measurementInput";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import type { Scheme } from "@/core/sheet/schemes/scheme";
import type { ClientEpisode } from "@/server/client/clients";
import { recordOf } from "@/server/client/record";
import { addMachine } from "@/server/clinic/machines";
import { schemeFactsFor, sheetFacts } from "@/server/facts/sheetFacts";
import { pastLoads, timedHolds } from "@/server/history/past";
import { recordTest } from "@/server/measure/measurements";
import { recordMeasurement } from "@/server/measure/otherMeasurements";
import { keepTemplate, retireTemplate, templatesOf } from "@/server/sheets/templates";
import { sheetsOf } from "@/server/versions/sheets";
import {
  closeConnections,
  daysLater,
  holdWith,
  logOf,
  makeClient,
  makeClinic,
  openedVisit,
  runVisit,
  saveLines,
  sendLog,
  type TestClinic,
  testInput,
} from "../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  for (const family of ["hip_abduction", "seated_press"])
    await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf(family)));
});
afterAll(closeConnections);

const ACCUMULATED: Scheme = { kind: "accumulated", total: 15, restS: 20, reserve: 2 };

async function tested(): Promise<ClientEpisode> {
  const client = await makeClient(clinic, { rules: [KNEE] });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  return client;
}

const save = (client: ClientEpisode, items: SheetLine[]) =>
  clinic.as("therapist", (ctx) => saveLines(ctx, client, items));

test.each<[string, SheetLine[], RegExp]>([
  ["a barred exercise", [sheetLineOf("ghr", STRAIGHT)], /is barred, because of/],
  ["an unknown one", [sheetLineOf("flying", STRAIGHT)], /not in the library/],
  [
    "a scheme that does not suit the exercise",
    [sheetLineOf("kext_single", { kind: "stretch", totalS: 60, toleratedS: 30 }, "one")],
    /is no stretch/,
  ],
  [
    "a drop set for a novice",
    [sheetLineOf("kext_single", { kind: "drop", drops: 2, dropPct: 20, reserve: 2 }, "one")],
    /not for novices/,
  ],
  [
    "fewer in reserve than the phase asks for",
    [sheetLineOf("kext_single", { ...STRAIGHT, reserve: 0 }, "one")],
    /leaves 0 in reserve; 2 at least are asked for \(phase\)/,
  ],
  [
    "a hold outside of the open arc",
    [holdWith({ atDeg: 130 }, { exerciseId: "kext_single", ladder: null })],
    /choose angles inside/,
  ],
  [
    "a window beyond the open arc",
    [sheetLineOf("half_squat", STRAIGHT, "together", { window: { fromDeg: 0, toDeg: 125 } })],
    /choose angles inside/,
  ],
  [
    "one leg on a machine for two",
    [sheetLineOf("hip_abd", STRAIGHT), sheetLineOf("lp_horizontal", STRAIGHT, "one")],
    /both at once/,
  ],
  [
    "two accumulated sets",
    [sheetLineOf("kext_single", ACCUMULATED, "one"), sheetLineOf("hip_abd", ACCUMULATED)],
    /once in a session is enough/,
  ],
  [
    "a first line in the rests of none",
    [sheetLineOf("half_squat", STRAIGHT, "together", { sharesRests: true })],
    /no line above to share rests with/,
  ],
])("%s is refused and nothing is written", async (_, items, why) => {
  const client = await tested();
  await expect(save(client, items)).rejects.toThrow(why);
  expect(await clinic.as("therapist", (ctx) => sheetsOf(ctx, client.episodeId))).toEqual([]);
});

test("saving is on the record; a client whom nobody has screened gets no sheet", async () => {
  const client = await tested();
  await save(client, [sheetLineOf("half_squat", STRAIGHT)]);
  const [entry] = await clinic.as("admin", (ctx) => recordOf(ctx, client.clientId, null));
  expect(entry?.deed).toBe("sheet.write");
  const unasked = await makeClient(clinic, { rules: [KNEE], isScreened: false });
  await expect(save(unasked, [sheetLineOf("half_squat", STRAIGHT)])).rejects.toThrow(/warning sign/i);
});

describe("what is counted is what was done, never what was planned", () => {
  test("an accumulated set counts from the day it was done", async () => {
    const client = await tested();
    const planned = await save(client, [sheetLineOf("kext_single", ACCUMULATED, "one")]);
    const on = (day: number) => clinic.as("therapist", (ctx) => schemeFactsFor(ctx, client), daysLater(day));
    // saved, and not run: there is nothing to keep apart from
    expect(await on(4)).toMatchObject({ daysSinceAccumulated: null, isNovice: true, isPostOp: false });
    await runVisit(clinic, client, { sheet: planned, at: daysLater(4), reps: 9, reserve: 3 });
    expect(await on(8)).toMatchObject({ daysSinceAccumulated: 4 });
    await expect(
      clinic.as(
        "therapist",
        (ctx) => saveLines(ctx, client, [sheetLineOf("kext_single", ACCUMULATED, "one")], { name: "Second" }),
        daysLater(8),
      ),
    ).rejects.toThrow(/7 to 10 days apart/);
  });

  test("last week's load of the kneecap is that of the sets that stand", async () => {
    const client = await tested();
    const sheet = await save(client, [
      sheetLineOf("half_squat", STRAIGHT, "together", { window: { fromDeg: 10, toDeg: 60 } }),
    ]);
    const past = (day: number) =>
      clinic.as("therapist", (ctx) => pastLoads(ctx, client.episodeId), daysLater(day));
    expect(await past(3)).toEqual([]);
    await runVisit(clinic, client, { sheet, reserve: 3 });
    // today is what is being planned
    expect(await past(0)).toEqual([]);
    const [all] = await past(3);
    expect(all).toMatchObject({ daysAgo: 3 });
    expect(all?.kneecapChairS).toBeCloseTo(sheet.kneecapChairS ?? 0, 6);
    // half of the sets are half of the load
    const half = await tested();
    const again = await save(half, [
      sheetLineOf("half_squat", { ...STRAIGHT, sets: 2 }, "together", { window: { fromDeg: 10, toDeg: 60 } }),
    ]);
    const visitId = await openedVisit(clinic, half, daysLater(0), again);
    const log = await logOf(clinic, half, daysLater(0), { reserve: 3 });
    const firstRate = log.findIndex((e) => e.type === "rate");
    await sendLog(clinic, visitId, log.slice(0, firstRate + 1));
    const [one] = await clinic.as("therapist", (ctx) => pastLoads(ctx, half.episodeId), daysLater(2));
    expect(one?.kneecapChairS).toBeCloseTo((again.kneecapChairS ?? 0) / 2, 6);
  });

  test("a first hold that ended because the muscle gave out says how long this person holds", async () => {
    const client = await tested();
    const sheet = await save(client, [holdWith({ atDeg: 60 })]);
    const visitId = await openedVisit(clinic, client, daysLater(0), sheet);
    const log = (await logOf(clinic, client, daysLater(0), { heldS: 21 })).map((e) =>
      e.type === "end" ? { ...e, early: "muscle" as const } : e,
    );
    await sendLog(clinic, visitId, log);
    const found = await clinic.as("therapist", (ctx) => timedHolds(ctx, client.episodeId));
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ heldS: 21, shareOfMax: sheet.lines[0]?.kept?.share });
  });

  test("eight visits make no novice", async () => {
    const client = await tested();
    const sheet = await save(client, [sheetLineOf("half_squat", { ...STRAIGHT, sets: 1 })]);
    const isNovice = async () =>
      (await clinic.as("therapist", (ctx) => schemeFactsFor(ctx, client), daysLater(60))).isNovice;
    // several sheets, so that no decision has to stand between them
    const sheets = [sheet];
    for (let i = 1; i < 8; i++)
      sheets.push(
        await clinic.as("therapist", (ctx) =>
          saveLines(ctx, client, [sheetLineOf("half_squat", { ...STRAIGHT, sets: 1 })], {
            name: `Sheet ${i}`,
          }),
        ),
      );
    for (const [i, s] of sheets.entries()) {
      expect(await isNovice()).toBe(true);
      await runVisit(clinic, client, { sheet: s, at: daysLater(i) });
    }
    expect(await isNovice()).toBe(false);
  });
});

test("repetition tests on a machine are what loads are learnt from, of this side or both", async () => {
  const client = await tested();
  const measured = (value: number, side: "left" | "right" | null) => ({
    id: randomUUID(),
    kind: "repetition_test" as const,
    side,
    value,
    way: null,
    source: "typed" as const,
    apparatus: "Bay extension",
    reps: 8,
    reserve: 2,
    twoLegs: side === null,
    chairM: null,
    armsUsed: null,
    ...NOTHING_BESIDE,
  });
  const other = client.side === "left" ? "right" : "left";
  const record = (value: number, side: "left" | "right" | null, later: number) =>
    clinic.as("therapist", (ctx) => recordMeasurement(ctx, client, measured(value, side)), daysLater(later));
  await record(60, null, 0);
  await record(70, null, 1);
  await record(99, other, 1);
  const facts = await clinic.as("therapist", (ctx) => sheetFacts(ctx, client), daysLater(2));
  const { stations } = facts.choose.strength.extension;
  const there = Object.entries(stations).filter(([id]) => id.endsWith("|two"));
  expect(there).toHaveLength(1);
  expect(there[0]?.[1]).toMatchObject({ visits: 2, doneKg: 70 });
  expect(Object.keys(stations)).toHaveLength(1);
});

test("a template is kept by name, replaced by the same name, put away by a therapist, and stays in its clinic", async () => {
  const input = (name: string) => ({ id: randomUUID(), name, items: [sheetLineOf("half_squat", STRAIGHT)] });
  const first = input("Calm knee, 30 min");
  await clinic.as("therapist", (ctx) => keepTemplate(ctx, first));
  await clinic.as("therapist", (ctx) => keepTemplate(ctx, first));
  const second = { ...input("calm knee, 30 MIN"), items: [sheetLineOf("hip_abd", STRAIGHT)] };
  await clinic.as("therapist", (ctx) => keepTemplate(ctx, second));
  const kept = await clinic.as("trainer", (ctx) => templatesOf(ctx));
  expect(kept.map((t) => [t.name, t.items[0]?.exerciseId])).toEqual([["calm knee, 30 MIN", "hip_abd"]]);
  await expect(clinic.as("trainer", (ctx) => keepTemplate(ctx, input("Mine")))).rejects.toThrow(
    /Only a therapist/,
  );
  await expect(clinic.as("trainer", (ctx) => retireTemplate(ctx, second.id))).rejects.toThrow(
    /Only a therapist/,
  );
  const elsewhere = await makeClinic();
  expect(await elsewhere.as("therapist", (ctx) => templatesOf(ctx))).toEqual([]);
  await expect(elsewhere.as("therapist", (ctx) => retireTemplate(ctx, second.id))).rejects.toThrow(
    /not there/,
  );
  await clinic.as("therapist", (ctx) => retireTemplate(ctx, second.id));
  expect(await clinic.as("therapist", (ctx) => templatesOf(ctx))).toEqual([]);
});
