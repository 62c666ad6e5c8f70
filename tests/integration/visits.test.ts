import { randomUUID } from "node:crypto";
import { standing } from "@/core/visit/setRecord";
import { stopSaid } from "@/core/visit/signs/stopReasons";
import type { LogEntry, VisitEvent } from "@/core/visit/visitEvent";
import { painMaxFor } from "@/server/bounds/limits";
import type { ClientEpisode } from "@/server/client/clients";
import { answerRecheck, clearRecheck, lastRecheck } from "@/server/decide/rechecks";
import { recentVisitsWhole } from "@/server/history/visits";
import { floorBarred } from "@/server/visits/floor";
import { logEvent, openVisit, startVisit } from "@/server/visits/running";
import { swapsOfVisit } from "@/server/visits/swapForToday";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  currentSheet,
  daysLater,
  hold,
  holdWith,
  logOf,
  MONDAY,
  makeClient,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  runVisit,
  saveLines,
  sendLog,
  squats,
  type TestClinic,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const SIGN = "giving_way" as const;
const visitsOf = (client: ClientEpisode) =>
  clinic.as("trainer", (ctx) => recentVisitsWhole(ctx, client.episodeId), daysLater(40));
const send = (visitId: string, seq: number, entry: LogEntry, role: "trainer" | "admin" = "trainer") =>
  clinic.as(role, (ctx) => logEvent(ctx, visitId, { seq, entry }), new Date(entry.at));

describe("a visit's log", () => {
  test("becomes records of what was done, on which machine, set how", async () => {
    const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
    await runVisit(clinic, client);
    const [visit] = await visitsOf(client);
    const records = visit?.records ?? [];
    expect(records.map((r) => [r.exerciseId, r.setNo, r.boutNo, r.leg])).toEqual([
      ["kext_iso_machine", 1, 1, "right"],
      ["kext_iso_machine", 1, 2, "right"],
      ["half_squat", 1, 1, "both"],
      ["half_squat", 2, 1, "both"],
    ]);
    const kept = visit?.sheet.lines[0]?.kept;
    expect(records[0]).toMatchObject({
      how: kept?.sets[0]?.how,
      loadKg: kept?.sets[0]?.loadKg,
      workedS: 30,
      painBefore: 1,
      pain: 1,
    });
    expect(records[2]).toMatchObject({ reps: 8, how: "body weight" });
    expect(visit?.end).toMatchObject({ painAtStart: 1, painAtEnd: 1, stopped: null });
  });

  test("is one however often it is sent, and is refused out of order or differently", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await openedVisit(clinic, client);
    const log = await logOf(clinic, client, MONDAY);
    for (let i = 0; i < 2; i++) await sendLog(clinic, visitId, log.slice(0, 5));
    expect((await visitsOf(client))[0]?.records).toHaveLength(1);
    await expect(send(visitId, 7, log[6] as LogEntry)).rejects.toThrow(/has not arrived yet/);
    const other = { ...(log[1] as VisitEvent), score: 4 } as LogEntry;
    await expect(send(visitId, 2, other)).rejects.toThrow(/Another tablet went on with this visit/);
    await expect(send(visitId, 6, log[1] as LogEntry, "admin")).rejects.toThrow(/therapist or a trainer/);
    await expect(send(randomUUID(), 1, log[0] as LogEntry)).rejects.toThrow(/not known/);
  });

  test("takes nothing that does not fit: a second start, an end without one", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await openedVisit(clinic, client);
    const log = await logOf(clinic, client, MONDAY);
    await expect(send(visitId, 1, log[2] as LogEntry)).rejects.toThrow(/does not fit/);
    await sendLog(clinic, visitId, log.slice(0, 3));
    await expect(send(visitId, 4, log[2] as LogEntry)).rejects.toThrow(/does not fit/);
  });

  test("takes no load but the line's own steps, whoever sends it: nothing heavier is run or becomes a test", async () => {
    const line = hold();
    const { client } = await plannedClient(clinic, {}, [line]);
    const visitId = await openedVisit(clinic, client);
    const load = (loadKg: number): LogEntry => ({
      type: "load",
      lineId: line.lineId,
      loadKg,
      at: MONDAY.getTime(),
    });
    for (const kg of [500, 999.9]) await expect(send(visitId, 1, load(kg))).rejects.toThrow(/does not fit/);
    const open = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId));
    const [kept] = open?.lines ?? [];
    const [step] = kept?.lighter ?? [];
    if (!kept || !step) throw new Error("nothing lighter");
    await send(visitId, 1, load(step.loadKg));
    const log = await logOf(clinic, client, MONDAY);
    await sendLog(clinic, visitId, [load(step.loadKg), ...log]);
    const [visit] = await visitsOf(client);
    expect(new Set(visit?.records.map((r) => r.loadKg))).toEqual(new Set([step.loadKg]));
    expect(new Set(visit?.records.map((r) => r.how))).toEqual(new Set([step.how]));
  });

  test("another tablet goes on from it", async () => {
    const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
    const visitId = await openedVisit(clinic, client);
    const log = await logOf(clinic, client, MONDAY);
    await sendLog(clinic, visitId, log.slice(0, 6));
    const open = await clinic.as("therapist", (ctx) => openVisit(ctx, client.episodeId));
    expect(open?.log).toEqual(log.slice(0, 6));
    await sendLog(clinic, visitId, log.slice(6), 7);
    expect((await visitsOf(client))[0]?.end).not.toBeNull();
  });

  test("taking back voids exactly the last set, a correction keeps both", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await openedVisit(clinic, client);
    const log = await logOf(clinic, client, MONDAY);
    await sendLog(clinic, visitId, log.slice(0, 5));
    const at = (log[4] as VisitEvent).at;
    await send(visitId, 6, { type: "undo", at });
    let records = (await visitsOf(client))[0]?.records ?? [];
    expect(records).toHaveLength(2);
    expect(standing(records)).toEqual([]);
    const again = { ...(log[4] as Extract<VisitEvent, { type: "rate" }>), recordId: randomUUID(), pain: 2 };
    await send(visitId, 7, again);
    await send(visitId, 8, {
      type: "correct",
      recordId: again.recordId,
      newId: randomUUID(),
      pain: 3,
      reps: null,
      reserve: null,
      felt: 6,
      at,
    });
    records = (await visitsOf(client))[0]?.records ?? [];
    expect(records).toHaveLength(4);
    expect(standing(records).map((r) => r.pain)).toEqual([3]);
  });

  test("is closed by its end: only a correction still comes, until it is decided", async () => {
    const { client } = await plannedClient(clinic);
    const visitId = await runVisit(clinic, client);
    const [visit] = await visitsOf(client);
    const first = visit?.records[0];
    const at = daysLater(0, 12).getTime();
    const { length } = await owner`select 1 from visit_event where visit_id = ${visitId}`;
    await expect(send(visitId, length + 1, { type: "stop", reason: "late", at })).rejects.toThrow(
      /is closed/,
    );
    await send(visitId, length + 1, {
      type: "correct",
      recordId: first?.id ?? "",
      newId: randomUUID(),
      pain: 2,
      reps: null,
      reserve: null,
      felt: 7,
      at,
    });
    const after = (await visitsOf(client))[0]?.records ?? [];
    expect(standing(after).map((r) => r.pain)).toEqual([2, 1]);
  });

  test("pain above today's limit ends the line, also when the limit came after the sheet", async () => {
    const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
    await owner`
      insert into episode_limit (id, clinic_id, episode_id, kind, bound, origin, reason, set_at)
      values (${randomUUID()}, ${clinic.id}, ${client.episodeId}, 'joint_pain', numrange(null, 2, '[]'), 'surgeon',
        'a note', ${MONDAY})`;
    const visitId = await openedVisit(clinic, client);
    const open = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId));
    expect(open?.lines.map((l) => l.painMax)).toEqual([2, 2]);
    await sendLog(clinic, visitId, await logOf(clinic, client, MONDAY, { pain: 3 }));
    const [visit] = await visitsOf(client);
    expect(visit?.records.map((r) => r.exerciseId)).toEqual(["kext_iso_machine", "half_squat"]);
    expect(sayPlainly(stopSaid(visit?.end?.stopped ?? ""))).toMatch(
      /joint pain of 3 in it is above the limit of 2/,
    );
  });

  test("a swap is what the clinic computes for today; another load than that is refused", async () => {
    const line = hold();
    const { client } = await plannedClient(clinic, {}, [line]);
    const visitId = await openedVisit(clinic, client);
    const found = await clinic.as("trainer", (ctx) =>
      swapsOfVisit(ctx, visitId, { lineId: line.lineId, reason: "taken" }),
    );
    expect(found.length).toBeGreaterThan(0);
    const [best] = found;
    if (!best) throw new Error("nothing to swap to");
    expect(best.to.lineId).toBe(line.lineId);
    const at = MONDAY.getTime();
    const swap = (to: typeof best.to): LogEntry => ({
      type: "swap",
      lineId: line.lineId,
      to,
      why: "taken",
      at,
    });
    const heavier = { ...best.to, sets: best.to.sets.map((s) => ({ ...s, loadKg: 500 })) };
    await expect(send(visitId, 1, swap(heavier))).rejects.toThrow(/does not fit today/);
    await send(visitId, 1, swap(best.to));
    const rest = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId));
    expect(rest?.log).toHaveLength(1);
    const [kept] =
      await owner`select planned, chosen, why from exercise_swap where episode_id = ${client.episodeId}`;
    expect(kept).toEqual({ planned: "kext_iso_machine", chosen: best.exerciseId, why: "taken" });
  });
});

describe("warning signs", () => {
  test("a yes closes the floor for everybody until a therapist clears it with a reason", async () => {
    const { client, sheet } = await plannedClient(clinic);
    const warning = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: warning, isClear: false, signs: [SIGN] }),
    );
    for (const role of ["trainer", "therapist"] as const)
      await expect(
        clinic.as(role, (ctx) =>
          startVisit(ctx, client, {
            id: randomUUID(),
            versionId: sheet.id,
            recheckId: warning,
            startedAt: MONDAY.toISOString(),
          }),
        ),
      ).rejects.toThrow(/warning sign stands since Test trainer noted it: giving way, locking/);
    const clear = (role: "trainer" | "admin" | "therapist") =>
      clinic.as(
        role,
        (ctx) =>
          clearRecheck(ctx, client, { id: randomUUID(), clears: warning, reason: "examined, stable knee" }),
        daysLater(0, 10),
      );
    await expect(clear("trainer")).rejects.toThrow(/Only a therapist clears/);
    await expect(clear("admin")).rejects.toThrow(/Only a therapist clears/);
    await clear("therapist");
    expect(await clinic.as("trainer", (ctx) => floorBarred(ctx, client, sheet))).toBeNull();
    await expect(clear("therapist")).rejects.toThrow(/no such warning sign/);
  });

  test("cannot be answered away by asking again", async () => {
    const { client } = await plannedClient(clinic);
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: randomUUID(), isClear: false, signs: [SIGN] }),
    );
    await expect(
      clinic.as(
        "trainer",
        (ctx) => answerRecheck(ctx, client, { id: randomUUID(), isClear: true, signs: [] }),
        daysLater(1),
      ),
    ).rejects.toThrow(/A therapist clears it with a reason first/);
    expect(await clinic.as("trainer", (ctx) => lastRecheck(ctx, client.episodeId))).toMatchObject({
      isClear: false,
    });
  });

  test("both the sign and its clearing are on the record", async () => {
    const { client } = await plannedClient(clinic);
    const warning = randomUUID();
    await clinic.as("trainer", (ctx) =>
      answerRecheck(ctx, client, { id: warning, isClear: false, signs: [SIGN] }),
    );
    await clinic.as(
      "therapist",
      (ctx) => clearRecheck(ctx, client, { id: randomUUID(), clears: warning, reason: "examined" }),
      daysLater(1),
    );
    const notes = await owner`select deed, person_id from audit where subject_id = ${warning} order by id`;
    expect(notes.map((n) => n.deed)).toEqual(["recheck.warning", "recheck.clear"]);
    expect(notes[1]?.person_id).toBe(clinic.actors.therapist.personId);
  });
});

describe("a visit starts only", () => {
  const start = (client: ClientEpisode, versionId: string, recheckId: string, at = MONDAY) =>
    clinic.as(
      "trainer",
      (ctx) =>
        startVisit(ctx, client, { id: randomUUID(), versionId, recheckId, startedAt: at.toISOString() }),
      at,
    );
  const asked = async (client: ClientEpisode, at = MONDAY) => {
    const id = randomUUID();
    await clinic.as("trainer", (ctx) => answerRecheck(ctx, client, { id, isClear: true, signs: [] }), at);
    return id;
  };

  test("with a sheet", async () => {
    const client = await makeClient(clinic);
    await expect(start(client, randomUUID(), randomUUID())).rejects.toThrow(/no sheet yet/);
  });
  test("with its newest version", async () => {
    const { client, sheet } = await plannedClient(clinic);
    await clinic.as("therapist", (ctx) =>
      saveLines(ctx, client, [holdWith({ effort: { kind: "felt", felt: 5 } })], {
        sheetId: sheet.sheetId,
        baseVersion: 1,
      }),
    );
    await expect(start(client, sheet.id, randomUUID())).rejects.toThrow(/a newer version is current/);
  });
  test("after its own warning-sign questions", async () => {
    const { client, sheet } = await plannedClient(clinic);
    await expect(start(client, sheet.id, randomUUID())).rejects.toThrow(/Ask the warning signs/);
    const old = await asked(client);
    await expect(start(client, sheet.id, old, daysLater(1))).rejects.toThrow(/Ask the warning signs/);
  });
  test("when none is open: a second tablet is told whose it is", async () => {
    const { client, sheet } = await plannedClient(clinic);
    await openedVisit(clinic, client);
    await expect(
      start(client, sheet.id, await asked(client, daysLater(0, 11)), daysLater(0, 11)),
    ).rejects.toThrow(/A visit of Test trainer is still open/);
  });
  test("once, when two tablets start at the same moment", async () => {
    const { client, sheet } = await plannedClient(clinic);
    const recheckId = await asked(client);
    const both = await Promise.allSettled([
      start(client, sheet.id, recheckId),
      start(client, sheet.id, recheckId),
    ]);
    expect(both.map((b) => b.status).sort()).toEqual(["fulfilled", "rejected"]);
    expect(await visitsOf(client)).toHaveLength(1);
  });
  test("once the last visit of its sheet is decided; another sheet is free", async () => {
    const { client, sheet } = await plannedClient(clinic);
    const home = await clinic.as("therapist", (ctx) =>
      saveLines(ctx, client, [squats()], { name: "Home", place: "home" }),
    );
    await runVisit(clinic, client, { sheet });
    const at = daysLater(2);
    await expect(start(client, sheet.id, await asked(client, at), at)).rejects.toThrow(/no decision yet/);
    await start(client, home.id, await asked(client, at), at);
    expect(await visitsOf(client)).toHaveLength(2);
  });
  test("inside today's limits", async () => {
    const { client, sheet } = await plannedClient(clinic);
    await owner`
      insert into episode_limit (id, clinic_id, episode_id, kind, bound, origin, reason, set_at)
      values (${randomUUID()}, ${clinic.id}, ${client.episodeId}, 'knee_flexion_under_load', numrange(70, 90, '[]'),
        'surgeon', 'a new note', ${MONDAY})`;
    await expect(start(client, sheet.id, await asked(client))).rejects.toThrow(
      /is outside today's limits, because of: only 70° to 90° are open/,
    );
  });
  test("with figures that are kept", async () => {
    const { client, sheet } = await plannedClient(clinic);
    await owner`update sheet_line set kept = null where version_id = ${sheet.id}`;
    await expect(start(client, sheet.id, await asked(client))).rejects.toThrow(
      /opens it in Dose and saves it once/,
    );
    const again = await clinic.as("therapist", (ctx) =>
      saveLines(
        ctx,
        client,
        sheet.lines.map((l) => l.plan),
        { sheetId: sheet.sheetId, baseVersion: 1 },
      ),
    );
    await start(client, again.id, await asked(client));
    expect((await currentSheet(clinic, client)).version).toBe(2);
  });
});

test("the limit on joint pain is the stricter of the school's and the written one", async () => {
  const of = async (o: Parameters<typeof makeClient>[1]) => {
    const client = await makeClient(clinic, o);
    return clinic.as("trainer", (ctx) => painMaxFor(ctx, client));
  };
  expect(await of({})).toBe(5);
  expect(await of({ limits: [{ low: null, high: 3, kind: "joint_pain" }] })).toBe(3);
  expect(await of({ school: "post_op", limits: [{ low: null, high: 4, kind: "joint_pain" }] })).toBe(2);
  expect(await of({ irritability: "high" })).toBe(3);
});
