import { randomUUID } from "node:crypto";
import { clientEpisode, clientEpisodes } from "@/server/client/clients";
import { conditionsOf } from "@/server/client/conditions";
import { recordOf } from "@/server/client/record";
import {
  beginEpisode,
  changeStory,
  closeEpisode,
  createClient,
  episodesOf,
  storyOf,
} from "@/server/client/story";
import { caseload } from "@/server/day/caseload";
import { clientDay } from "@/server/day/clientDay";
import { closeConnections, daysLater, makeClinic, owner, type TestClinic } from "../support/clinic";
import { EPISODE, newClient } from "../support/story";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const enter = async (over: Parameters<typeof newClient>[0] = {}) => {
  const input = newClient(over);
  await clinic.as("therapist", (ctx) => createClient(ctx, input));
  return { input, client: await clinic.as("therapist", (ctx) => clientEpisode(ctx, input.clientId)) };
};

test("a new client comes with the first phase of the condition, however many weeks have gone by", async () => {
  const { client } = await enter();
  expect(client).toMatchObject({
    name: "M. U.",
    where: "left knee",
    condition: "total knee replacement",
    irritability: "moderate",
    usualPain: 2,
    goal: "rise from the low bench",
    school: "post_op",
  });
  const [c] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId), daysLater(200));
  expect(c?.phase.id).toBe("w0_2");
  expect(await clinic.as("therapist", (ctx) => storyOf(ctx, client))).toMatchObject({
    painMarks: ["knee_cap"],
    goals: [{ goalId: "stairs", hard: 6 }, { hard: 8 }],
    weekdays: [1, 4],
  });
  const day = await clinic.as("therapist", (ctx) => clientDay(ctx, client));
  expect(day.next).toMatchObject({ step: "screen", needsHand: true });
  expect(day.steps.floor.state).toBe("blocked");
});

test("sending the same client twice makes one; a trainer makes none", async () => {
  const input = newClient();
  await clinic.as("therapist", (ctx) => createClient(ctx, input));
  await clinic.as("therapist", (ctx) => createClient(ctx, input));
  expect(await owner`select 1 from episode where client_id = ${input.clientId}`).toHaveLength(1);
  await expect(clinic.as("trainer", (ctx) => createClient(ctx, newClient()))).rejects.toThrow(
    /Only a therapist enters or changes/,
  );
});

test.each([
  [{ episode: { beganOn: "2027-01-01" } }, /in the future/],
  [{ episode: { beganOn: "1950-01-01" } }, /before the client was born/],
  [{ birthYear: 2030 }, /birth year is in the future/],
])("dates that cannot be are refused and nothing is written: %j", async (over, sentence) => {
  const input = newClient(over);
  await expect(clinic.as("therapist", (ctx) => createClient(ctx, input))).rejects.toThrow(sentence);
  expect(await owner`select 1 from client where id = ${input.clientId}`).toHaveLength(0);
});

test("a condition that began in the future is refused at its own field", async () => {
  const input = newClient({
    episode: { conditions: [{ conditionId: "knee_oa", variantId: "mild", beganOn: "2026-12-01" }] },
  });
  await expect(clinic.as("therapist", (ctx) => createClient(ctx, input))).rejects.toMatchObject({
    problems: [{ field: "episode.conditions.0.beganOn" }],
  });
});

test("two therapists change one story: the second is told who was first, and may save over it", async () => {
  const { input, client } = await enter();
  const activities = [{ what: "football", hard: 7, loads: ["legs" as const], weekdays: [7], minutes: 60 }];
  const change = (painNow: number, version: number, evenIfChanged = false) =>
    clinic.as("therapist", (ctx) =>
      changeStory(ctx, client, {
        version,
        evenIfChanged,
        person: input.person,
        episode: { ...EPISODE, painNow, activities },
      }),
    );
  await change(3, client.version);
  await expect(change(4, client.version)).rejects.toThrow(/Test therapist changed this story meanwhile/);
  const usual = async () =>
    (await clinic.as("therapist", (ctx) => clientEpisode(ctx, client.clientId))).usualPain;
  expect(await usual()).toBe(3);
  expect((await clinic.as("therapist", (ctx) => storyOf(ctx, client))).activities).toEqual(activities);
  await change(4, client.version, true);
  expect(await usual()).toBe(4);
});

test("a condition that is no longer named ends; one that comes back keeps its phase", async () => {
  const { input, client } = await enter();
  const save = async (conditions: typeof EPISODE.conditions) => {
    const now = await clinic.as("therapist", (ctx) => clientEpisode(ctx, client.clientId));
    await clinic.as("therapist", (ctx) =>
      changeStory(ctx, now, {
        version: now.version,
        evenIfChanged: false,
        person: input.person,
        episode: { ...EPISODE, conditions },
      }),
    );
    const found = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId));
    return found.map((c) => c.condition.id);
  };
  const oa = { conditionId: "knee_oa", variantId: "mild", beganOn: "2025-12-01" };
  expect(await save([oa])).toEqual(["knee_oa"]);
  expect(await save([...EPISODE.conditions, oa])).toEqual(
    expect.arrayContaining(["total_knee_replacement", "knee_oa"]),
  );
  const rows = await owner`select 1 from episode_condition where episode_id = ${client.episodeId}`;
  expect(rows).toHaveLength(2);
  // each condition has its own clock: MONDAY is 13 weeks after the one and 4 after the other
  const found = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId));
  expect(Object.fromEntries(found.map((c) => [c.condition.id, c.week]))).toEqual({
    knee_oa: 13,
    total_knee_replacement: 4,
  });
});

test("an episode is closed with a reason, never deleted, and another is begun", async () => {
  const { input, client } = await enter();
  await clinic.as("therapist", (ctx) =>
    closeEpisode(ctx, client, { version: client.version, because: "goals reached" }),
  );
  await expect(clinic.as("therapist", (ctx) => clientEpisode(ctx, client.clientId))).rejects.toThrow(
    /no such client in care/,
  );
  const closed = { q: "", show: "closed", sort: "name", down: false, hand: false, page: 1 } as const;
  const { rows: shown } = await clinic.as("therapist", (ctx) => caseload(ctx, closed));
  const row = shown.find((r) => r.clientId === client.clientId);
  expect(row).toMatchObject({ isOpen: false, href: `/clients/${client.clientId}/episodes` });
  const again = {
    episodeId: randomUUID(),
    // years later the body is another one
    person: { ...input.person, bodyMassKg: 91, shankLengthM: 0.41 },
    episode: { ...EPISODE, side: "right" as const, beganOn: "2026-02-20" },
  };
  await clinic.as("therapist", (ctx) => beginEpisode(ctx, client.clientId, again));
  await expect(
    clinic.as("therapist", (ctx) =>
      beginEpisode(ctx, client.clientId, { ...again, episodeId: randomUUID() }),
    ),
  ).rejects.toThrow(/still open/);
  const { person, episodes } = await clinic.as("therapist", (ctx) => episodesOf(ctx, input.clientId));
  expect(person).toMatchObject({ bodyMassKg: 91, shankLengthM: 0.41 });
  expect(episodes.map((e) => [e.side, e.closedBecause])).toEqual([
    ["right", null],
    ["left", "goals reached"],
  ]);
  const record = await clinic.as("trainer", (ctx) => recordOf(ctx, client.clientId, null));
  expect(record.map((e) => e.deed)).toEqual(["episode.begin", "episode.close", "client.create"]);
  expect(record[0]).toMatchObject({ by: "Test therapist" });
});

test("the pain rule follows from condition, phase and stance, not from what was stored", async () => {
  const { client } = await enter({
    episode: {
      beganWith: "onset",
      conditions: [{ conditionId: "knee_oa", variantId: "mild", beganOn: null }],
    },
  });
  expect(client.school).toBe("monitoring");
  await owner`
    insert into stance_choice (id, clinic_id, episode_id, stance_id, option_id, reason, set_by, set_at)
    values (${randomUUID()}, ${clinic.id}, null, 'knee_oa.pain_school', 'pain_free', 'house rule',
      ${clinic.actors.admin.personId}, now())`;
  const open = await clinic.as("therapist", (ctx) => clientEpisodes(ctx, { clientId: client.clientId }));
  expect(open[0]?.school).toBe("pain_free");
});
