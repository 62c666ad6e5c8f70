import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import type { LogEntry } from "@/core/visit/visitEvent";
import type { Ctx } from "@/server/base/context";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { makeHomeLink } from "@/server/links/links";
import { behindLink, type OpenLink, openLink } from "@/server/links/open";
import { dayBarred } from "@/server/visits/floor";
import { homeSheet, logHome, startHome } from "@/server/visits/home";
import {
  closeConnections,
  daysLater,
  hold,
  logOf,
  MONDAY,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  runVisit,
  saveLines,
  squats,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const HERE = "192.0.2.8";

/** A client with a gym sheet and one for home, and what is done behind its link. */
async function atHome() {
  const { client, sheet: gym } = await plannedClient(clinic);
  const home = await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [squats()], { name: "Home", place: "home" }),
  );
  const link = { id: randomUUID(), sheetId: home.sheetId };
  const token = await clinic.as("trainer", (ctx) => makeHomeLink(ctx, client, link));
  const behind = async <T>(
    work: (ctx: Ctx, client: ClientEpisode, link: OpenLink) => Promise<T>,
    at = MONDAY,
  ): Promise<T> => {
    const opened = await openLink(token, "home", HERE, at);
    return behindLink(opened, at, (ctx, c) => work(ctx, c, opened.link));
  };
  return { client, gym, home, token, behind };
}

const starts = (versionId: string, signs: RecheckSign[] = []) => ({
  recheckId: randomUUID(),
  signs,
  visit: signs.length === 0 ? { id: randomUUID(), versionId } : null,
  at: MONDAY.toISOString(),
});

test("the phone says masses as whoever made the link reads them", async () => {
  const { behind } = await atHome();
  const unit = async () => (await behind((ctx, c, l) => homeSheet(ctx, c, l))).massUnit;
  expect(await unit()).toBe("kg");
  const trainer = await clinic.as("trainer", async (ctx) => ctx.actor.personId);
  await owner`update person set mass_unit = 'lb' where id = ${trainer}`;
  expect(await unit()).toBe("lb");
  await owner`update person set mass_unit = 'kg' where id = ${trainer}`;
});

test("the sheet of the link is run and logged as the client's, once a day; no other sheet and no change of the plan", async () => {
  const { client, gym, home, behind } = await atHome();
  await expect(behind((ctx, c, l) => startHome(ctx, c, l, starts(gym.id)))).rejects.toThrow("link.gone");
  const input = starts(home.id);
  await behind((ctx, c, l) => startHome(ctx, c, l, input));
  await behind((ctx, c, l) => startHome(ctx, c, l, input));
  const visitId = input.visit?.id ?? "";
  const entries = await logOf(clinic, client, MONDAY);
  const lineId = home.lines[0]?.plan.lineId ?? "";
  await expect(
    behind((ctx, _c, l) =>
      logHome(ctx, l, visitId, { seq: 1, entry: { type: "add-set", lineId, at: MONDAY.getTime() } }),
    ),
  ).rejects.toThrow(/done as it stands/);
  for (const [i, entry] of entries.entries())
    await behind((ctx, _c, l) => logHome(ctx, l, visitId, { seq: i + 1, entry }), new Date(entry.at));
  const later = new Date(MONDAY.getTime() + 5 * 3_600_000);
  expect(await behind((ctx, c, l) => homeSheet(ctx, c, l), later)).toMatchObject({ isDone: true });
  await expect(
    behind((ctx, c, l) => startHome(ctx, c, l, { ...starts(home.id), at: later.toISOString() }), later),
  ).rejects.toThrow(/once a day/);
  // nor with the answers of the first time
  const again = { ...input, visit: { id: randomUUID(), versionId: home.id } };
  await expect(behind((ctx, c, l) => startHome(ctx, c, l, again), later)).rejects.toThrow(/once a day/);
});

test("a run that was stopped is not done for today: the clinic looks at it first", async () => {
  const { home, behind } = await atHome();
  const input = starts(home.id);
  await behind((ctx, c, l) => startHome(ctx, c, l, input));
  const at = MONDAY.getTime() + 60_000;
  const entries: LogEntry[] = [
    { type: "stop", reason: "Sharp, sudden or giving-way pain", at },
    { type: "finish", painAtEnd: 6, at: at + 1000 },
  ];
  for (const [i, entry] of entries.entries())
    await behind(
      (ctx, _c, l) => logHome(ctx, l, input.visit?.id ?? "", { seq: i + 1, entry }),
      new Date(entry.at),
    );
  const shown = await behind((ctx, c, l) => homeSheet(ctx, c, l), new Date(at + 3_600_000));
  expect(shown).toMatchObject({ isDone: false, barred: expect.stringContaining("therapist") });
});

test("a warning sign starts nothing and stops the floor; a visit of the staff is not reached from a link", async () => {
  const { client, gym, home, behind } = await atHome();
  const staffs = await openedVisit(clinic, client, MONDAY, gym);
  const stop = { type: "stop" as const, reason: "by link", at: MONDAY.getTime() };
  await expect(behind((ctx, _c, l) => logHome(ctx, l, staffs, { seq: 1, entry: stop }))).rejects.toThrow(
    /not known at the clinic/,
  );
  await behind((ctx, c, l) => startHome(ctx, c, l, starts(home.id, ["giving_way"])));
  expect(await clinic.as("trainer", (ctx) => dayBarred(ctx, client))).toMatch(
    /the client noted it: giving way/,
  );
});

test("a newer link of the sheet ends the one before; a sheet for the gym has none", async () => {
  const { client, gym, home, token } = await atHome();
  await clinic.as("trainer", (ctx) => makeHomeLink(ctx, client, { id: randomUUID(), sheetId: home.sheetId }));
  await expect(openLink(token, "home", HERE, MONDAY)).rejects.toThrow("link.run_out");
  await expect(
    clinic.as("trainer", (ctx) => makeHomeLink(ctx, client, { id: randomUUID(), sheetId: gym.sheetId })),
  ).rejects.toThrow(/for the gym/);
});

test("a home sheet holds no machine of the clinic, and hands that hold the shin are not set in kilograms", async () => {
  const { client } = await plannedClient(clinic);
  const home = { name: "At home", place: "home" as const };
  await expect(clinic.as("therapist", (ctx) => saveLines(ctx, client, [hold()], home))).rejects.toThrow(
    /stands in the clinic, and this sheet is done at home/,
  );
  const byHand = hold({ exerciseId: "kext_iso_manual" });
  const gym = await clinic.as("therapist", (ctx) => saveLines(ctx, client, [byHand], { name: "By hand" }));
  // the leg was tested: in the clinic a scale reads the push
  expect(gym.lines[0]?.kept?.sets[0]?.how).toMatch(/kg/);
  const kept = (
    await clinic.as("therapist", (ctx) => saveLines(ctx, client, [{ ...byHand, lineId: randomUUID() }], home))
  ).lines[0]?.kept;
  expect(kept?.sets.every((s) => s.how === null && s.loadKg === null)).toBe(true);
  expect(kept).toMatchObject({ lighter: [], feltAim: 6 });
});

test("what the clinic has is not at home on any page: saved, run and decided without it, though the clinic has a bench for it", async () => {
  const { client } = await plannedClient(clinic);
  await clinic.as("admin", (ctx) =>
    addMachine(ctx, randomUUID(), { ...templateOf("calf_seated"), name: "Bench of the clinic" }),
  );
  const calves = (): SheetLine => squats({ exerciseId: "calf_seated", window: null });
  const gym = await clinic.as("therapist", (ctx) => saveLines(ctx, client, [calves()], { name: "There" }));
  expect(gym.lines[0]?.kept?.machineName).toBe("Bench of the clinic");
  const home = await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [calves()], { name: "Here", place: "home" }),
  );
  expect(home.lines[0]?.kept).toMatchObject({ machineId: null, machineName: null });
  expect(home.lines[0]?.kept?.sets.every((s) => s.how === null)).toBe(true);
  await runVisit(clinic, client, { sheet: home });
  const drafts = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(1));
  const next = JSON.stringify(drafts.find((d) => d.visit.sheet.sheetId === home.sheetId)?.lines[0]?.next);
  expect(next).toContain("calf_seated");
  expect(next).not.toMatch(/pin|Bench/);
});
