import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import { plainMeasurement } from "@/core/measure/measurementInput";
import type { Ctx } from "@/server/base/context";
import { standsUnder } from "@/server/base/sameId";
import { writeLimit } from "@/server/bounds/limits";
import { takeSwap } from "@/server/choice/swaps";
import type { ClientEpisode } from "@/server/client/clients";
import { questionsOf, recordScreening, screeningStateOf } from "@/server/client/screenings";
import { chooseStance } from "@/server/client/stances";
import { createClient } from "@/server/client/story";
import { addMachine } from "@/server/clinic/machines";
import { answerRecheck } from "@/server/decide/rechecks";
import { recordTest } from "@/server/measure/measurements";
import { recordMeasurement } from "@/server/measure/otherMeasurements";
import { answerRequest, makeRequest } from "@/server/requests/requests";
import { keepTemplate } from "@/server/sheets/templates";
import { keepBlock } from "@/server/week/blocks";
import {
  closeConnections,
  makeClient,
  makeClinic,
  owner,
  plannedClient,
  squats,
  type TestClinic,
  testInput,
} from "../../support/clinic";
import { KNEE, STRAIGHT } from "../../support/lines";
import { newClient } from "../../support/story";

let clinic: TestClinic;
let other: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  other = await makeClinic();
});
afterAll(closeConnections);

type Write = (ctx: Ctx, client: ClientEpisode, id: string) => Promise<unknown>;
const value = (id: string, n: number) => plainMeasurement(id, "knee_bend", "right", n);
const limit = (high: number) => ({
  kind: "joint_pain" as const,
  low: null,
  high,
  word: null,
  origin: "therapist" as const,
  reason: "agreed today",
  endsOn: null,
  replaces: null,
  evenIfChanged: false,
  isLifted: false,
});
const screening = async (ctx: Ctx, client: ClientEpisode, id: string, first: "yes" | "no") => {
  const asked = await questionsOf(ctx, client);
  const answers = asked.map((q, i) => ({
    questionId: q.id,
    answer: i === 0 ? first : ("no" as const),
    escalations: [],
    askedAs: "one" as const,
  }));
  return recordScreening(ctx, client, { id, answers, systolicMmHg: 120, diastolicMmHg: 76 });
};
const line = {
  exerciseId: "half_squat",
  scheme: STRAIGHT,
  legs: "together",
  window: null,
  sharesRests: false,
} as const;
const block = (minutes: number) => ({
  startsOn: "2026-03-02",
  buildWeeks: 4,
  keepWeeks: 0,
  wishes: {},
  minutes: Array(7).fill(minutes),
  gym: Array(7).fill(true),
  away: [],
  days: [],
  replaces: null,
});

/** Everything that a page sends under an id of its own: as it is sent first, and with another content. */
const WRITES: Record<string, [Write, Write]> = {
  "a screening": [(ctx, c, id) => screening(ctx, c, id, "no"), (ctx, c, id) => screening(ctx, c, id, "yes")],
  "a limit": [
    (ctx, c, id) => writeLimit(ctx, c, { id, ...limit(3) }),
    (ctx, c, id) => writeLimit(ctx, c, { id, ...limit(5) }),
  ],
  "a measurement": [
    (ctx, c, id) => recordMeasurement(ctx, c, value(id, 110)),
    (ctx, c, id) => recordMeasurement(ctx, c, value(id, 90)),
  ],
  "a strength test": [
    (ctx, c, id) => recordTest(ctx, c, { ...FIXED_TEST, id }),
    (ctx, c, id) => recordTest(ctx, c, { ...FIXED_TEST, id, kneeFlexionDeg: 65 }),
  ],
  "a swap": [
    (ctx, c, id) =>
      takeSwap(ctx, c, { id, planned: "half_squat", chosen: null, reason: "knee", pain: 4, words: "" }),
    (ctx, c, id) =>
      takeSwap(ctx, c, { id, planned: "half_squat", chosen: null, reason: "knee", pain: 7, words: "" }),
  ],
  "a block": [
    (ctx, c, id) => keepBlock(ctx, c, { id, ...block(60) }),
    (ctx, c, id) => keepBlock(ctx, c, { id, ...block(30) }),
  ],
  "a machine": [
    (ctx, _, id) => addMachine(ctx, id, { ...templateOf("seated_press"), name: "Row press" }),
    (ctx, _, id) => addMachine(ctx, id, { ...templateOf("seated_press"), name: "Aisle press" }),
  ],
  "a template": [
    (ctx, _, id) => keepTemplate(ctx, { id, name: `Calm ${id.slice(0, 4)}`, items: [line] }),
    (ctx, _, id) => keepTemplate(ctx, { id, name: `Brisk ${id.slice(0, 4)}`, items: [line] }),
  ],
  "a stance": [
    (ctx, c, id) =>
      chooseStance(ctx, c, {
        id,
        stanceId: "d_calves_order",
        optionId: "rule",
        reason: "as usual",
        replaces: null,
        surgeonAgrees: false,
      }),
    (ctx, c, id) =>
      chooseStance(ctx, c, {
        id,
        stanceId: "d_calves_order",
        optionId: "view_2",
        reason: "as usual",
        replaces: null,
        surgeonAgrees: false,
      }),
  ],
  "a client": [
    (ctx, _, id) => createClient(ctx, { ...CLIENT, clientId: id, episodeId: episodeOf(id) }),
    (ctx, _, id) =>
      createClient(ctx, {
        ...CLIENT,
        person: { ...CLIENT.person, birthYear: 1940 },
        clientId: id,
        episodeId: episodeOf(id),
      }),
  ],
  "warning signs before a visit": [
    (ctx, c, id) => answerRecheck(ctx, c, { id, isClear: true, signs: [] }),
    (ctx, c, id) => answerRecheck(ctx, c, { id, isClear: false, signs: ["unwell"] }),
  ],
  "a request": [
    (ctx, c, id) => makeRequest(ctx, c, { id, kind: "other", sheetId: null, lineId: null, words: "a word" }),
    (ctx, c, id) =>
      makeRequest(ctx, c, { id, kind: "other", sheetId: null, lineId: null, words: "another word" }),
  ],
};
const FIXED_TEST = testInput();
const CLIENT = newClient();
const episodes = new Map<string, string>();
const episodeOf = (id: string): string => {
  const of = episodes.get(id) ?? randomUUID();
  episodes.set(id, of);
  return of;
};

test.each(Object.entries(WRITES))(
  "%s sent again is one; something else under its id is refused with what stands",
  async (what, [first, second]) => {
    const client = await makeClient(clinic, { rules: [KNEE] });
    const id = randomUUID();
    const send = (write: Write) => clinic.as("therapist", (ctx) => write(ctx, client, id));
    await send(first);
    await send(first);
    await expect(send(second)).rejects.toThrow(
      /sent something else under this id before.*What was sent first stands/s,
    );
    expect(await clinic.as("trainer", (ctx) => standsUnder(ctx, id))).toBe(true);
    if (what === "a screening") {
      const state = await clinic.as("therapist", (ctx) => screeningStateOf(ctx, client));
      expect(state.status).not.toBe("stop");
      // under an id of its own the yes is kept, and closes the floor
      await clinic.as("therapist", (ctx) => screening(ctx, client, randomUUID(), "yes"));
      expect((await clinic.as("therapist", (ctx) => screeningStateOf(ctx, client))).barsFloor).not.toBeNull();
    }
  },
);

test.each(["a screening", "a limit", "a measurement", "a machine", "a client"])(
  "%s under an id of another clinic is refused, never said to be kept",
  async (what) => {
    const [write] = WRITES[what] as [Write, Write];
    const id = randomUUID();
    const theirs = await makeClient(other, { rules: [KNEE] });
    await other.as("therapist", (ctx) => write(ctx, theirs, id));
    const client = await makeClient(clinic, { rules: [KNEE] });
    await expect(clinic.as("therapist", (ctx) => write(ctx, client, id))).rejects.toThrow();
    expect(await owner`select 1 from written where id = ${id}`).toHaveLength(1);
  },
);

test("twenty at once under one id with two contents: one stands, and who sent the other is told", async () => {
  const client = await makeClient(clinic, { rules: [KNEE] });
  for (let i = 0; i < 10; i++) {
    const id = randomUUID();
    const sent = await Promise.allSettled(
      [110, 90].map((n) => clinic.as("therapist", (ctx) => recordMeasurement(ctx, client, value(id, n)))),
    );
    expect(sent.filter((s) => s.status === "fulfilled")).toHaveLength(1);
  }
});

test("a request that two therapists answer at once has one answer; the other is told what stands", async () => {
  const { client } = await plannedClient(clinic, {}, [squats()]);
  const id = randomUUID();
  await clinic.as("trainer", (ctx) =>
    makeRequest(ctx, client, { id, kind: "other", sheetId: null, lineId: null, words: "a word" }),
  );
  const answers = await Promise.allSettled(
    ["up to 40 kg", "only with me"].map((answer) =>
      clinic.as("therapist", (ctx) => answerRequest(ctx, id, { isAllowed: true, answer })),
    ),
  );
  expect(answers.filter((a) => a.status === "fulfilled")).toHaveLength(1);
  expect(answers.flatMap((a) => (a.status === "rejected" ? [String(a.reason)] : [])).join()).toMatch(
    /allowed it meanwhile: (up to 40 kg|only with me)/,
  );
});
