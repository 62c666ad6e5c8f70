import type { ClientEpisode } from "@/server/client/clients";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { corridorOn } from "@/server/facts/tissueRoom";
import { linesOfToday } from "@/server/visits/linesOfToday";
import { setGuardOf } from "@/server/week/setGuard";
import { hardDays } from "@/server/week/weekFacts";
import { shortForOf } from "@/server/week/weekSets";
import {
  closeConnections,
  currentSheet,
  daysLater,
  enterMorning,
  makeClinic,
  owner,
  plannedClient,
  type RunOptions,
  runVisit,
  squats,
  type TestClinic,
  takeAll,
} from "../../support/clinic";
import { KNEE } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const kneed = async () => (await plannedClient(clinic, { rules: [KNEE] }, [squats()])).client;

/** A visit on a day, its morning, and every draft taken. */
async function lived(client: ClientEpisode, day: number, pain: number | null, o: RunOptions = {}) {
  const visitId = await runVisit(clinic, client, { at: daysLater(day), ...o });
  if (pain !== null) await enterMorning(clinic, client, visitId, daysLater(day + 1, 7), { pain });
  return visitId;
}
const roomOn = (client: ClientEpisode, day: number) =>
  clinic.as(
    "therapist",
    (ctx) => corridorOn(ctx, client, daysLater(day).toISOString().slice(0, 10)),
    daysLater(day),
  );

test("what a knee takes is learnt from its own visits and mornings, from what was done and not from what was planned (W4)", async () => {
  const client = await kneed();
  expect(await roomOn(client, 0)).toEqual({ well: null, sore: null, most: 4, isGuess: true });
  // three visits in which more was done each time: the second largest stands
  for (const [i, reps] of [8, 4, 6].entries()) {
    await lived(client, 3 * i, 1, { reps });
    await takeAll(clinic, client, daysLater(3 * i + 2));
  }
  const { well } = await roomOn(client, 9);
  // after the first of them nothing went well twice yet
  expect((await roomOn(client, 2)).well).toBeNull();
  expect(well).toBeGreaterThan(0);
  // a morning that nobody answered teaches nothing
  await lived(client, 9, null);
  await takeAll(clinic, client, daysLater(11));
  expect((await roomOn(client, 12)).well).toBe(well);
  // a sore one bounds what is planned, offered and laid from then on
  await lived(client, 12, 4);
  const after = await roomOn(client, 13);
  expect(after.sore).toBeGreaterThan(0);
  expect(after.most).toBeLessThan(4);
  const asked = await clinic.as(
    "therapist",
    async (ctx) => ({
      guard: (await setGuardOf(ctx, client)).mostTissue,
      short: await shortForOf(ctx, client),
    }),
    daysLater(13),
  );
  expect(asked.guard).toBe(after.most);
  expect(asked.short).toMatchObject({ sore: "knee", mostTissue: after.most });
});

const FOOTBALL = { what: "football", hard: 7, loads: ["legs" as const] };

test("after something hard besides, a morning teaches nothing of what a knee takes, and its day is hard (Besides 1 to 3)", async () => {
  const client = await kneed();
  for (const [i, besides] of [[], [FOOTBALL], [{ ...FOOTBALL, hard: 5 }]].entries()) {
    const visitId = await runVisit(clinic, client, { at: daysLater(3 * i), reps: 8 });
    await enterMorning(clinic, client, visitId, daysLater(3 * i + 1, 7), { pain: 1, besides });
    await takeAll(clinic, client, daysLater(3 * i + 2));
    // the second of them does not count: nothing went well twice before the third
    const { well } = await roomOn(client, 3 * i + 2);
    if (i < 2) expect(well).toBeNull();
    else expect(well).toBeGreaterThan(0);
  }
  // a sore one after football does not narrow it either, and still is decided by its pain
  const visitId = await runVisit(clinic, client, { at: daysLater(9) });
  await enterMorning(clinic, client, visitId, daysLater(10, 7), { pain: 6, besides: [FOOTBALL] });
  expect((await roomOn(client, 11)).sore).toBeNull();
  const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(11));
  expect(draft?.lines[0]?.decision.action).not.toBe("PROGRESS");
  const days = await clinic.as("therapist", (ctx) => hardDays(ctx, client.episodeId), daysLater(11));
  expect(days.filter((d) => d.what === "football").map((d) => d.on)).toEqual(["2026-03-05", "2026-03-11"]);
});

test("what the story says is usual on a weekday counts where the morning says nothing of it (Besides 2)", async () => {
  const client = await kneed();
  const activities = JSON.stringify([{ ...FOOTBALL, weekdays: [1], minutes: 60 }]);
  await owner`update episode set activities = ${activities}::text::jsonb where id = ${client.episodeId}`;
  // Monday: as usual, twice; then said to be nothing
  for (const [i, besides] of [undefined, undefined, [], []].entries()) {
    const visitId = await runVisit(clinic, client, { at: daysLater(7 * i), reps: 8 });
    await enterMorning(clinic, client, visitId, daysLater(7 * i + 1, 7), { pain: 1, besides });
    await takeAll(clinic, client, daysLater(7 * i + 2));
    const { well } = await roomOn(client, 7 * i + 2);
    if (i < 3) expect(well).toBeNull();
    else expect(well).toBeGreaterThan(0);
  }
});

/** A small visit, and one that is more than a knee of which nothing is known is given. */
const SMALL = { sets: 2, reps: 8 };
const LARGE = { sets: 8, reps: 15 };
const withSets = async (sets: typeof SMALL) => {
  const line = squats();
  const scheme = { ...line.scheme, ...sets } as typeof line.scheme;
  return (await plannedClient(clinic, { rules: [KNEE], irritability: "moderate" }, [squats({ scheme })]))
    .client;
};

test("at the edge of what a knee takes its lines are held, and nothing is offered harder on the floor (H11, L8)", async () => {
  const of = async (sets: typeof SMALL) => {
    const client = await withSets(sets);
    const offers = await clinic.as("trainer", async (ctx) => {
      const sheet = await currentSheet(clinic, client);
      return sheet ? (await linesOfToday(ctx, client, sheet)).map((l) => l.offers !== null) : [];
    });
    await lived(client, 0, 1, { reserve: 6 });
    const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(2));
    return { offers, rules: draft?.lines[0]?.decision.rules };
  };
  expect(await of(SMALL)).toEqual({ offers: [true], rules: ["P4"] });
  expect(await of(LARGE)).toEqual({ offers: [false], rules: ["H11"] });
});
