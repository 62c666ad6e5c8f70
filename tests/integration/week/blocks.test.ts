import { randomUUID } from "node:crypto";
import ical, { type VEvent } from "node-ical";
import { templateOf } from "@/core/equipment/templates";
import type { BlockKept } from "@/core/schedule/block/blockInput";
import { buildBlock } from "@/core/schedule/block/buildBlock";
import { checkBlock } from "@/core/schedule/block/checkBlock";
import { daysAfter, mondayOf } from "@/core/units/days";
import type { Ctx } from "@/server/base/context";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { clientDay } from "@/server/day/clientDay";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { goalReached } from "@/server/facts/goalReached";
import { recordTest } from "@/server/measure/measurements";
import { sheetsOf } from "@/server/versions/sheets";
import { linesOfToday } from "@/server/visits/linesOfToday";
import { blockOf, keepBlock } from "@/server/week/blocks";
import { busyDays } from "@/server/week/calendarIn";
import { calendarOf } from "@/server/week/calendarOut";
import { outlookOf } from "@/server/week/outlook";
import { weekFacts } from "@/server/week/weekFacts";
import { usualWishes } from "@/server/week/wishes";
import {
  closeConnections,
  daysLater,
  hold,
  MONDAY,
  makeClinic,
  plannedClient,
  runVisit,
  saveLines,
  type TestClinic,
  testInput,
} from "../../support/clinic";
import { STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await as((ctx) => addMachine(ctx, randomUUID(), templateOf("seated_knee_extension")));
});
afterAll(closeConnections);

const as = <T>(work: (ctx: Ctx) => Promise<T>, at = MONDAY) => clinic.as("therapist", work, at);

/** What a therapist would keep without a change: the usual wishes, laid by the rules. */
async function laid(client: ClientEpisode, over: Partial<BlockKept> = {}, at = MONDAY): Promise<BlockKept> {
  return as(async (ctx) => {
    const wishes = { ...usualWishes(ctx), ...over };
    const { question, sheets } = await weekFacts(ctx, client, wishes);
    return {
      id: randomUUID(),
      ...wishes,
      wishes: Object.fromEntries(
        sheets.map((s) => [
          s.id,
          wishes.wishes[s.id] ?? { times: s.times, keepTimes: s.keepTimes, at: null },
        ]),
      ),
      days: buildBlock(question).days,
      replaces: null,
      ...over,
    };
  }, at);
}

async function withGym(): Promise<ClientEpisode> {
  const { client } = await plannedClient(clinic);
  const extension = sheetLineOf("kext_single", { ...STRAIGHT, sets: 4 }, "one");
  await as((ctx) => saveLines(ctx, client, [extension, hold()], { name: "Strength" }));
  return client;
}

test("who has reached the goal keeps from the first week; a block of no week at all is refused (W5)", async () => {
  const client = await withGym();
  const wishes = await as(async (ctx) => usualWishes(ctx, undefined, true));
  expect(wishes.buildWeeks).toBe(0);
  const block = await laid(client, wishes);
  await as((ctx) => keepBlock(ctx, client, block));
  expect(await as((ctx) => blockOf(ctx, client.episodeId))).toMatchObject({ buildWeeks: 0, keepWeeks: 8 });
  const none = { ...block, id: randomUUID(), replaces: block.id, keepWeeks: 0, days: [] };
  await expect(as((ctx) => keepBlock(ctx, client, none))).rejects.toThrow(/a week at the least/);
});

test("the goal is reached once the leg had a fifth to spare for four weeks, whatever the client's day asks (W5)", async () => {
  const { client } = await plannedClient(clinic);
  const of = (goalId: string | null, at: Date) => as((ctx) => goalReached(ctx, client, [{ goalId }]), at);
  // tested strong on the first day: not yet for four weeks, then it is
  const push = [900, 910].map((forceN) => ({ id: randomUUID(), source: "typed" as const, forceN }));
  await as((ctx) => recordTest(ctx, client, testInput({ trials: push })));
  expect(await of("stairs", daysLater(20))).toBe(false);
  expect(await of("stairs", daysLater(30))).toBe(true);
  // a goal that is no single task is never reached by itself
  expect(await of(null, daysLater(30))).toBe(false);
});

test("what the rules laid is kept, stands on the day it is planned for, and is one when sent twice", async () => {
  const client = await withGym();
  const block = await laid(client);
  expect(block.days.length).toBeGreaterThan(10);
  await as((ctx) => keepBlock(ctx, client, block));
  await as((ctx) => keepBlock(ctx, client, block));
  const stored = await as((ctx) => blockOf(ctx, client.episodeId));
  expect(stored?.days.map(({ sheetId, on, pinned, isShort }) => ({ sheetId, on, pinned, isShort }))).toEqual(
    [...block.days].sort((a, b) => a.on.localeCompare(b.on) || a.sheetId.localeCompare(b.sheetId)),
  );
  const first = block.days[0];
  const at = new Date(`${first?.on}T08:00:00Z`);
  const day = await as((ctx) => clientDay(ctx, client), at);
  expect(day.matters.filter((m) => m.kind === "planned").length).toBeGreaterThan(0);
  expect(day.steps.week.state).toBe("done");
});

test("the route asks every rule again: days by hand that break one are refused with the sentence, and nothing is kept", async () => {
  const client = await withGym();
  const block = await laid(client);
  const gym = block.days.find((d) => d.on > "2026-03-02") as BlockKept["days"][number];
  const refused = async (days: BlockKept["days"], sentence: RegExp) => {
    const again = { ...block, id: randomUUID(), days };
    await expect(as((ctx) => keepBlock(ctx, client, again))).rejects.toThrow(sentence);
    expect(await as((ctx) => blockOf(ctx, client.episodeId))).toBeNull();
  };
  await refused([...block.days, gym], /stands twice/);
  await refused([{ ...gym, sheetId: randomUUID() }], /not in use/);
  await refused([{ ...gym, on: "2026-03-03" }], /does not come/);
  const { question } = await as((ctx) => weekFacts(ctx, client, { ...block, minutes: Array(7).fill(5) }));
  expect(checkBlock(question, [gym]).map((b) => b.rule)).toContain("minutes");
  await expect(
    as((ctx) => keepBlock(ctx, client, { ...block, id: randomUUID(), startsOn: "2026-03-03" })),
  ).rejects.toThrow(/begins on a Monday/);
  await expect(clinic.as("trainer", (ctx) => keepBlock(ctx, client, block))).rejects.toThrow(
    /Only a therapist/,
  );
});

test("a short day runs with a set fewer, and what was left out is neither missed nor decided (W2)", async () => {
  const client = await withGym();
  const block = await laid(client);
  const strength = (await as((ctx) => weekFacts(ctx, client, block))).sheets.find(
    (s) => s.kind === "strength",
  );
  const days = block.days
    .filter((d) => d.sheetId === strength?.id)
    .map((d) => ({ ...d, isShort: true, pinned: true }));
  await as((ctx) => keepBlock(ctx, client, { ...block, days }));
  const on = days[0]?.on as string;
  const at = new Date(`${on}T09:00:00Z`);
  const sheet = (await as((ctx) => sheetsOf(ctx, client.episodeId), at)).find(
    (s) => s.sheetId === strength?.id,
  );
  const setsOf = (lines: readonly { sets: readonly unknown[] }[]) => lines.map((l) => l.sets.length);
  const whole = setsOf((sheet?.lines ?? []).flatMap((l) => (l.kept ? [l.kept] : [])));
  expect(whole).toEqual([4, 1]);
  const visitId = await runVisit(clinic, client, { at, sheet, reserve: 4 });
  const [run] = await as((ctx) => ctx.tx`select lines from visit where id = ${visitId}`, at);
  expect(setsOf(run?.lines)).toEqual([3, 1]);
  const next = new Date(at.getTime() + 24 * 3_600_000);
  const drafts = await as((ctx) => visitDrafts(ctx, client), next);
  expect(drafts[0]?.lines[0]?.done.reached).not.toBe("below");
  // on a day that is not short it is whole
  const later = new Date(at.getTime() - 24 * 3_600_000);
  expect(setsOf(await as((ctx) => linesOfToday(ctx, client, sheet as never), later))).toEqual(whole);
});

test("more than the weeks before allow is kept with a therapist's reason, and with none it is not (W1)", async () => {
  const client = await withGym();
  const block = await laid(client);
  const { sheets } = await as((ctx) => weekFacts(ctx, client, block));
  const strength = sheets.find((s) => s.kind === "strength");
  const wishes = Object.fromEntries(
    Object.entries(block.wishes).map(([id, w]) => [id, { ...w, times: id === strength?.id ? 3 : w.times }]),
  );
  const days = ["2026-03-02", "2026-03-04", "2026-03-06", "2026-03-09", "2026-03-11", "2026-03-13"].map(
    (on) => ({
      ...{ sheetId: strength?.id ?? "", on, pinned: true, isShort: false },
    }),
  );
  const more = { ...block, wishes, days, id: randomUUID() };
  await expect(as((ctx) => keepBlock(ctx, client, more))).rejects.toThrow("input.over_reason");
  expect(await as((ctx) => blockOf(ctx, client.episodeId))).toBeNull();
  await as((ctx) =>
    keepBlock(ctx, client, { ...more, id: randomUUID(), overReason: "lifted this for years" }),
  );
  expect(await as((ctx) => blockOf(ctx, client.episodeId))).toMatchObject({
    overReason: "lifted this for years",
  });
  // a reason where nothing is above the guard is not kept
  const usual = await laid(client, {
    replaces: (await as((ctx) => blockOf(ctx, client.episodeId)))?.id ?? null,
  });
  const soon = new Date(MONDAY.getTime() + 60_000);
  await as((ctx) => keepBlock(ctx, client, { ...usual, overReason: "not needed at all" }), soon);
  expect(await as((ctx) => blockOf(ctx, client.episodeId))).toMatchObject({ overReason: null });
});

test("hard work that was done lately moves what is planned: 48 h are kept to the visit of yesterday", async () => {
  const client = await withGym();
  const strength = await as(async (ctx) => (await weekFacts(ctx, client, usualWishes(ctx))).sheets);
  const hard = strength.find((s) => s.kind === "strength");
  expect(hard).toBeDefined();
  await runVisit(clinic, client, {
    at: daysLater(1),
    sheet: (await as(async (ctx) => {
      const { sheetsOf } = await import("@/server/versions/sheets");
      return (await sheetsOf(ctx, client.episodeId)).find((s) => s.sheetId === hard?.id);
    })) as never,
  });
  const at = daysLater(2);
  const { question } = await as((ctx) => weekFacts(ctx, client, usualWishes(ctx)), at);
  expect(question.hardDone).toEqual([
    { on: "2026-03-03", isAccumulated: false, muscles: expect.arrayContaining(["quads"]) },
  ]);
  expect(question.begun.sets.quads).toBeGreaterThan(0);
  const asked = { sheetId: hard?.id ?? "", on: "2026-03-04", pinned: true, isShort: false };
  const broken = checkBlock(question, [asked]);
  expect(broken.map((b) => b.rule)).toContain("hard_48h");
  expect(checkBlock(question, buildBlock(question).days)).toEqual([]);
});

describe("calendar files, read by another program", () => {
  async function kept(at: string | null): Promise<{ client: ClientEpisode; block: BlockKept }> {
    const client = await withGym();
    const first = await laid(client);
    const wishes = Object.fromEntries(Object.entries(first.wishes).map(([id, w]) => [id, { ...w, at }]));
    const block = { ...first, wishes };
    await as((ctx) => keepBlock(ctx, client, block));
    return { client, block };
  }
  const events = (text: string) =>
    Object.values(ical.sync.parseICS(text)).filter((e) => e?.type === "VEVENT") as VEvent[];

  test("one event a planned day, with lasting ids and nothing of the body in it", async () => {
    const { client, block } = await kept(null);
    const text = await as((ctx) => calendarOf(ctx, client));
    const found = events(text);
    expect(found).toHaveLength(block.days.length);
    expect(new Set(found.map((e) => e.uid)).size).toBe(found.length);
    expect(found.map((e) => e.uid).sort()).toEqual(
      block.days.map((d) => `${d.sheetId}.${d.on}@bexlo`).sort(),
    );
    expect(text).not.toMatch(/Made Up|Strength|knee|kneecap|pain/i);
    // made again tomorrow: the same ids, what is past is left out
    const again = events(await as((ctx) => calendarOf(ctx, client), daysLater(1)));
    for (const e of again) expect(found.map((f) => f.uid)).toContain(e.uid);
  });

  test("a day that was taken back is cancelled with a higher sequence, and so is an hour that changed", async () => {
    const { client, block } = await kept("09:30");
    const before = new Map(events(await as((ctx) => calendarOf(ctx, client))).map((e) => [e.uid, e]));
    // the last of all: less work early on would leave a later week too steep
    const gone = block.days.toSorted((a, b) => a.on.localeCompare(b.on)).at(-1);
    const stays = block.days.filter((d) => d !== gone);
    const wishes = Object.fromEntries(
      Object.entries(block.wishes).map(([id, w]) => [id, { ...w, at: "10:30" }]),
    );
    const next = { ...block, id: randomUUID(), wishes, days: stays, replaces: block.id };
    await as((ctx) => keepBlock(ctx, client, next), daysLater(0, 11));
    const after = new Map(
      events(await as((ctx) => calendarOf(ctx, client), daysLater(0, 11))).map((e) => [e.uid, e]),
    );
    const uid = `${gone?.sheetId}.${gone?.on}@bexlo`;
    const sequence = (e?: VEvent) => Number((e as { sequence?: string | number } | undefined)?.sequence);
    expect(after.get(uid)?.status).toBe("CANCELLED");
    expect(sequence(after.get(uid))).toBeGreaterThan(sequence(before.get(uid)));
    for (const d of stays) {
      const id = `${d.sheetId}.${d.on}@bexlo`;
      expect(after.get(id)?.status).not.toBe("CANCELLED");
      expect(sequence(after.get(id))).toBeGreaterThan(sequence(before.get(id)));
      expect(after.get(id)?.start).not.toEqual(before.get(id)?.start);
    }
  });

  test("an hour is the clinic's own on both sides of the change to summer time", async () => {
    const { client } = await kept("09:30");
    const found = events(await as((ctx) => calendarOf(ctx, client)));
    const local = (d: Date) =>
      new Intl.DateTimeFormat("en-GB", {
        timeZone: "Europe/Amsterdam",
        hour: "2-digit",
        minute: "2-digit",
      }).format(d);
    expect(new Set(found.map((e) => local(e.start as Date)))).toEqual(new Set(["09:30"]));
    const utc = new Set(found.map((e) => (e.start as Date).getUTCHours()));
    // 28 March 2026: winter before, summer after
    expect(utc).toEqual(new Set([8, 7]));
  });

  test("a client's calendar gives the days it takes, repeats and zones understood, titles not looked at", async () => {
    const text = [
      "BEGIN:VCALENDAR",
      "VERSION:2.0",
      "PRODID:-//made up//test//EN",
      "BEGIN:VEVENT",
      "UID:1",
      "DTSTAMP:20260301T000000Z",
      "DTSTART;VALUE=DATE:20260310",
      "DTEND;VALUE=DATE:20260312",
      "SUMMARY:away",
      "END:VEVENT",
      "BEGIN:VEVENT",
      "UID:2",
      "DTSTAMP:20260301T000000Z",
      "DTSTART:20260306T080000Z",
      "DTEND:20260306T140000Z",
      "RRULE:FREQ=WEEKLY;COUNT=3",
      "SUMMARY:long day",
      "END:VEVENT",
      "BEGIN:VEVENT",
      "UID:3",
      "DTSTAMP:20260301T000000Z",
      "DTSTART:20260304T080000Z",
      "DTEND:20260304T090000Z",
      "SUMMARY:short",
      "END:VEVENT",
      "BEGIN:VEVENT",
      "UID:4",
      "DTSTAMP:20260301T000000Z",
      "DTSTART;VALUE=DATE:20260318",
      "DTEND;VALUE=DATE:20260319",
      "TRANSP:TRANSPARENT",
      "SUMMARY:a birthday",
      "END:VEVENT",
      "END:VCALENDAR",
    ].join("\r\n");
    const days = await as(async (ctx) => busyDays(ctx, text, "2026-03-02", "2026-04-30"));
    expect(days).toEqual(["2026-03-06", "2026-03-10", "2026-03-11", "2026-03-13", "2026-03-20"]);
    // the other parser sees the same whole days
    expect(
      events(text)
        .filter((e) => e.datetype === "date")
        .map((e) => e.uid),
    ).toEqual(["1", "4"]);
    for (const wrong of ["", "hello", "BEGIN:VCALENDAR", "{}"])
      await expect(as(async (ctx) => busyDays(ctx, wrong, "2026-03-02", "2026-04-30"))).rejects.toThrow(
        /not a calendar file/,
      );
  });
});

test("weeks are weeks across the end of the year and on 29 February", () => {
  expect(mondayOf("2028-02-29")).toBe("2028-02-28");
  expect(daysAfter("2028-02-28", 1)).toBe("2028-02-29");
  expect(daysAfter("2027-02-28", 1)).toBe("2027-03-01");
  expect(mondayOf("2027-01-01")).toBe("2026-12-28");
});

test("the way to the goal is not guessed from too little", async () => {
  const { client } = await plannedClient(clinic);
  const [o] = await as((ctx) => outlookOf(ctx, client));
  expect(o).toMatchObject({ stepsDone: 0, range: null });
  expect(o?.stepsLeft).toBeGreaterThan(0);
});

test("until a week is kept the days are those of the story, at a gym unless the client trains at home", () =>
  as(async (ctx) => {
    const at = (weekdays: number[], trainsAt: "clinic_gym" | "other_gym" | "home") =>
      usualWishes(ctx, { weekdays, trainsAt });
    expect(at([1, 4, 6], "other_gym")).toMatchObject({
      minutes: [60, 0, 0, 60, 0, 60, 0],
      gym: [true, false, false, true, false, true, false],
    });
    expect(at([2], "home").gym).toEqual(Array(7).fill(false));
    // nobody was asked: every day, and no day is taken away
    expect(at([], "clinic_gym").minutes.every((m) => m > 0)).toBe(true);
  }));
