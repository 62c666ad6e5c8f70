import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import { plainMeasurement } from "@/core/measure/measurementInput";
import type { MeasurementKind } from "@/core/measure/measurementKinds";
import { rowsOfReview } from "@/core/review/review";
import { EXERCISES } from "@/core/rules/exercises";
import { rangeSheet } from "@/core/selection/rank/rangeSheet";
import { chairRise, type ReferenceTask } from "@/core/selection/tissue/tissues";
import { draftFacts } from "@/server/choice/drafts";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { changeStory } from "@/server/client/story";
import { addMachine, machinesOf } from "@/server/clinic/machines";
import { knownFacts } from "@/server/facts/choose";
import { schemeFactsFor } from "@/server/facts/sheetFacts";
import { goalNeeds } from "@/server/measure/goalNeeds";
import { measurementsOf, recordMeasurement, voidMeasurement } from "@/server/measure/otherMeasurements";
import { episodesToReview } from "@/server/review/episode";
import { reviewFactsOf } from "@/server/review/facts";
import { sheetsOf } from "@/server/versions/sheets";
import { linesOfToday, sheetToday } from "@/server/visits/linesOfToday";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  plannedClient,
  type TestClinic,
} from "../../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../../support/lines";
import { EPISODE } from "../../support/story";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf("seated_press")));
});
afterAll(closeConnections);

const measure = (
  client: ClientEpisode,
  kind: MeasurementKind,
  value: number,
  over: object = {},
  at = daysLater(1),
  id: string = randomUUID(),
) =>
  clinic.as(
    "therapist",
    (ctx) => recordMeasurement(ctx, client, { ...plainMeasurement(id, kind, client.side, value), ...over }),
    at,
  );
const now = (client: ClientEpisode, at = daysLater(9)) =>
  clinic.as("therapist", (ctx) => clientEpisode(ctx, client.clientId), at);

describe("body mass (rule Measured 2)", () => {
  test("the newest wins, one taken back gives way to the one before, and that of the story counts from when it was written", async () => {
    const client = await makeClient(clinic);
    const told = client.bodyMassKg;
    await measure(client, "body_mass", told + 4, {}, daysLater(1));
    const last = randomUUID();
    await measure(client, "body_mass", told + 6, {}, daysLater(2), last);
    expect((await now(client)).bodyMassKg).toBe(told + 6);
    await clinic.as(
      "therapist",
      (ctx) => voidMeasurement(ctx, client, last, "the wrong client"),
      daysLater(3),
    );
    expect((await now(client)).bodyMassKg).toBe(told + 4);
    const write = async (bodyMassKg: number, day: number) => {
      const c = await now(client, daysLater(day));
      const person = { ...c, bodyMassKg };
      await clinic.as(
        "therapist",
        (ctx) =>
          changeStory(ctx, c, {
            version: c.version,
            evenIfChanged: false,
            person,
            episode: { ...EPISODE, side: c.side },
          }),
        daysLater(day),
      );
    };
    // a story that is saved for something else leaves the measured mass as it is
    await write(told + 4, 4);
    await measure(client, "body_mass", told + 5, {}, daysLater(5));
    expect((await now(client)).bodyMassKg).toBe(told + 5);
    await write(told + 1, 6);
    expect((await now(client)).bodyMassKg).toBe(told + 1);
    await measure(client, "body_mass", told + 2, {}, daysLater(7));
    expect((await now(client)).bodyMassKg).toBe(told + 2);
  });

  test("a slip of the key is asked again, and nothing is written", async () => {
    const client = await makeClient(clinic);
    await expect(measure(client, "body_mass", client.bodyMassKg / 2)).rejects.toThrow("input.mass_jump");
    expect(await clinic.as("therapist", (ctx) => measurementsOf(ctx, client.episodeId))).toEqual([]);
  });
});

test("a short straight-leg raise leans the back that Choose proposes on the seated curl, and Choose says why", async () => {
  const client = await makeClient(clinic, { rules: [KNEE] });
  const curl = async () => {
    const facts = await clinic.as("therapist", (ctx) => knownFacts(ctx, client), daysLater(9));
    const sheet = rangeSheet({
      ...facts,
      exercises: EXERCISES,
      chair: chairRise(facts.body) as ReferenceTask,
      tissue: facts.firstTissue,
      capTimes: null,
      basis: { kind: "effort", share: 0.5 },
    });
    return sheet.rows.find((r) => r.e.id === "curl_seated")?.computed;
  };
  await measure(client, "straight_leg_raise", 75);
  const usual = await curl();
  await measure(client, "straight_leg_raise", 55, {}, daysLater(2));
  const short = await curl();
  expect(short?.settings.backrestDeg).toBeGreaterThan(usual?.settings.backrestDeg as number);
  expect(usual?.leant).toBeNull();
  expect(short?.leant).toMatchObject({ code: "setUp.leant", raiseDeg: 55 });
});

test("a pelvis that was seen to roll stops the depth on that machine; a machine that is not here is refused", async () => {
  const client = await makeClient(clinic, { rules: [KNEE] });
  const [machine] = await clinic.as("trainer", machinesOf);
  await expect(measure(client, "pelvis_rolls", 80, { machineId: randomUUID() })).rejects.toThrow(
    "This machine is not in the clinic's gym.",
  );
  await measure(client, "pelvis_rolls", 90, { machineId: machine?.id }, daysLater(1));
  await measure(client, "pelvis_rolls", 80, { machineId: machine?.id }, daysLater(2));
  const { body } = await clinic.as("therapist", (ctx) => knownFacts(ctx, client), daysLater(9));
  expect(body.pelvisRollsDeg).toEqual({ [machine?.id as string]: 80 });
});

test("what a goal asks is compared with what was measured, leads the draft, and its row leads Review", async () => {
  const client = await makeClient(clinic, { rules: [KNEE] });
  const c = await now(client);
  const goals = [{ ...EPISODE.goals[0], goalId: "walk_30" }] as (typeof EPISODE)["goals"];
  await clinic.as("therapist", (ctx) =>
    changeStory(ctx, c, {
      ...{ version: c.version, evenIfChanged: false, person: c },
      episode: { ...EPISODE, side: c.side, goals },
    }),
  );
  await measure(client, "heel_raises", 4);
  await measure(client, "walk_6min", 380, { side: null });
  const needs = await clinic.as(
    "therapist",
    (ctx) => goalNeeds(ctx, { ...c, ageYears: 60, goals }),
    daysLater(9),
  );
  expect(needs.slice(0, 2).map((n) => n.measure)).toEqual(["heel_raises", "walk_6min"]);
  const facts = await clinic.as("therapist", (ctx) => draftFacts(ctx, c), daysLater(9));
  expect(facts).toMatchObject({ gap: { measure: "heel_raises", shortfall: 0.6 } });
  expect(typeof facts === "string" ? [] : facts.aimed).toContain("calves");
  const [past] = await clinic.as("therapist", (ctx) => episodesToReview(ctx, client.clientId), daysLater(9));
  if (!past) throw new Error("no episode");
  const rows = rowsOfReview(await clinic.as("therapist", (ctx) => reviewFactsOf(ctx, past), daysLater(9)));
  expect(rows.filter((r) => r.leads).map((r) => r.id)).toEqual(["measure heel_raises", "measure walk_6min"]);
  expect(rows.find((r) => r.id === "measure heel_raises")?.marks.map((m) => m.value)).toEqual([10]);
});

test("in the week before a goal's date half the sets are run, at the same load, and nothing was missed", async () => {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [sheetLineOf("lp_horizontal", STRAIGHT)]);
  const write = (on: string | null) =>
    clinic.as("therapist", async (ctx) => {
      const c = await clientEpisode(ctx, client.clientId);
      const goals = EPISODE.goals.map((g) => ({ ...g, on }));
      await changeStory(ctx, c, {
        ...{ version: c.version, evenIfChanged: true, person: c },
        episode: {
          ...EPISODE,
          side: c.side,
          conditions: [{ conditionId: KNEE.conditionId, variantId: KNEE.variantId, beganOn: null }],
          goals,
        },
      });
    });
  const linesOn = (day: number) =>
    clinic.as(
      "trainer",
      async (ctx) => {
        const c = await clientEpisode(ctx, client.clientId);
        const [sheet] = await sheetsOf(ctx, c.episodeId);
        if (!sheet) throw new Error("no sheet");
        return { lines: await linesOfToday(ctx, c, sheet), said: await sheetToday(ctx, c, sheet) };
      },
      daysLater(day),
    );
  await write(daysLater(10).toISOString().slice(0, 10));
  const [whole, thin] = [await linesOn(2), await linesOn(5)];
  const work = (x: typeof whole) => (x.lines[0]?.sets ?? []).filter((s) => s.role === "work");
  expect(work(thin)).toHaveLength(Math.ceil(work(whole).length / 2));
  expect(work(thin)[0]?.loadKg).toBe(work(whole)[0]?.loadKg);
  expect([whole.said.thinUntil, thin.said.thinUntil]).toEqual([null, "2026-03-12"]);
  expect(thin.said.minutes).toBeLessThan(whole.said.minutes);
  expect((await linesOn(10)).lines[0]?.sets).toHaveLength(whole.lines[0]?.sets.length ?? 0);
});

test("who has trained within the year is no novice at the first visit; nobody else is asked less (Background)", async () => {
  const client = await makeClient(clinic, { rules: [KNEE] });
  const noviceWith = (background: "trained" | "away") =>
    clinic.as("therapist", async (ctx) => {
      const c = await clientEpisode(ctx, client.clientId);
      await changeStory(ctx, c, {
        ...{ version: c.version, evenIfChanged: true, person: c },
        episode: { ...EPISODE, side: c.side, background },
      });
      return (await schemeFactsFor(ctx, c)).isNovice;
    });
  expect(await noviceWith("away")).toBe(true);
  expect(await noviceWith("trained")).toBe(false);
});
