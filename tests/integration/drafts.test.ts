import { randomUUID } from "node:crypto";
import { plainMeasurement } from "@/core/measure/measurementInput";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { draftFacts } from "@/server/choice/drafts";
import { clientEpisode } from "@/server/client/clients";
import { chooseStance } from "@/server/client/stances";
import { clientDay } from "@/server/day/clientDay";
import { painfulLines } from "@/server/facts/painfulLines";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { recordMeasurement } from "@/server/measure/otherMeasurements";
import {
  closeConnections,
  daysLater,
  MONDAY,
  makeClient,
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

const KNEE = { conditionId: "knee_oa", variantId: "moderate", phaseId: "build", beganOn: "2025-10-01" };
type Client = Awaited<ReturnType<typeof makeClient>>;

const factsOf = (client: Client, at = MONDAY) =>
  clinic.as("therapist", async (ctx) => draftFacts(ctx, await clientEpisode(ctx, client.clientId)), at);
const measured = (
  client: Client,
  kind: Parameters<typeof plainMeasurement>[1],
  value: number,
  at: Date,
  over: object = {},
) =>
  clinic.as(
    "therapist",
    (ctx) =>
      recordMeasurement(ctx, client, {
        ...plainMeasurement(randomUUID(), kind, kind === "swelling" ? "right" : null, value),
        ...over,
      }),
    at,
  );

describe("what a first draft is made from", () => {
  test("is the phase's recipe with the goals, the hardest to do first, and what the body picture says", async () => {
    const client = await makeClient(clinic, { rules: [KNEE] });
    await owner`
      update episode set pain_marks = ${["knee_cap", "back_low"]},
        goals = ${owner.json([
          { goalId: "walk_30", words: "", hard: 4 },
          { goalId: "stairs", words: "", hard: 8 },
          { goalId: null, words: "dance", hard: 10 },
        ])}
      where id = ${client.episodeId}`;
    const facts = await factsOf(client);
    if (typeof facts === "string") throw new Error(facts);
    expect(facts.recipe.ladders.map((l) => l.goal_id)).toEqual(["stairs", "walk_30"]);
    expect(facts.painSites).toEqual(["front_of_knee", "low_back"]);
    expect(facts).toMatchObject({
      isOfTheBack: false,
      isFirstVisit: true,
      weeksAfterSurgery: null,
      weak: [],
    });
    expect(facts.recipe.clinic.lines.map((l) => l.exerciseId)).toContain("lp_mid_hip");
    // one recipe travels to the page, never all of them
    expect(JSON.stringify(facts).length).toBeLessThan(40_000);
  });

  test("knows what is not done alone yet as it was told, where it hurts in the way, and which school is in force", async () => {
    const client = await makeClient(clinic, { rules: [KNEE] });
    await owner`update episode set rises = 'hands', climbs = 'yes' where id = ${client.episodeId}`;
    const arc = { moved: "extension" as const, fromDeg: 20, toDeg: 40, loadKg: 10 };
    await measured(client, "painful_arc", 4, daysLater(0), { side: "right", ...arc });
    await measured(client, "painful_arc", 3, daysLater(0), { side: "left", ...arc, moved: "closed" });
    await clinic.as("therapist", (ctx) =>
      chooseStance(ctx, client, {
        ...{ id: randomUUID(), stanceId: "d_foot_height", optionId: "view_1" },
        ...{ reason: "kneecaps here", replaces: null, surgeonAgrees: false },
      }),
    );
    const facts = await factsOf(client);
    if (typeof facts === "string") throw new Error(facts);
    expect(facts.notYet).toEqual([{ task: "chair", because: "hands", percent: null }]);
    expect(facts.painfulArcs).toEqual([{ ...arc, pain: 4, on: "2026-03-02" }]);
    expect(facts.schools).toEqual({ d_foot_height: "view_1" });
    const { choose } = await clinic.as("therapist", (ctx) => sheetFacts(ctx, client));
    expect(choose.painfulArcs).toEqual(facts.painfulArcs);
    // a kept line that goes through it says so on the floor and in the decision
    const kept = { lineId: "a", exerciseId: "kext_iso_machine", fromDeg: 30, toDeg: 30 } as KeptLine;
    const told = await clinic.as("therapist", (ctx) =>
      painfulLines(ctx, client, [kept, { ...kept, lineId: "b", fromDeg: 60, toDeg: 60 }, null]),
    );
    expect(told).toEqual({ a: facts.painfulArcs[0] });
    // looked for and not found any more
    await measured(client, "painful_arc", 0, daysLater(3), {
      side: "right",
      moved: "extension",
      fromDeg: 20,
    });
    const later = await factsOf(client, daysLater(3));
    expect(later).toMatchObject({ painfulArcs: [] });
  });

  test("is refused with the number and the reason where pain before any work is above the most allowed", async () => {
    const client = await makeClient(clinic, { rules: [KNEE], irritability: "high" });
    await owner`update episode set usual_pain = 5 where id = ${client.episodeId}`;
    expect(await factsOf(client)).toMatch(/^No draft today\. Pain is 5 of 10 .*allowed in it, 3, because of/);
    // what was measured later counts, and what nobody asked for four weeks does not bar
    await measured(client, "daily_pain", 2, daysLater(1));
    expect(typeof (await factsOf(client, daysLater(1)))).toBe("object");
    await measured(client, "daily_pain", 6, daysLater(2));
    expect(await factsOf(client, daysLater(3))).toMatch(/Pain is 6 of 10/);
    expect(typeof (await factsOf(client, daysLater(40)))).toBe("object");
  });

  test("two grades more swelling is no draft, one is said, and where it does not apply nobody reads it", async () => {
    const client = await makeClient(clinic, { rules: [KNEE], swellingApplies: true });
    await measured(client, "swelling", 1, daysLater(3));
    expect(await factsOf(client, daysLater(3))).toMatchObject({ swellingIsUp: true });
    await measured(client, "swelling", 3, daysLater(5));
    expect(await factsOf(client, daysLater(5))).toMatch(/two grades more swollen/);
    // an old rise says nothing about today
    expect(await factsOf(client, daysLater(20))).toMatchObject({ swellingIsUp: false });
    const dry = await makeClient(clinic, { rules: [KNEE], swellingApplies: false });
    await measured(dry, "swelling", 3, daysLater(5));
    expect(await factsOf(dry, daysLater(5))).toMatchObject({ swellingIsUp: false });
  });

  test("knows who rises less often than most of the age, and the weeks after surgery", async () => {
    const client = await makeClient(clinic, {
      rules: [
        {
          conditionId: "total_knee_replacement",
          variantId: "standard",
          phaseId: "w6_12",
          beganOn: "2026-01-05",
        },
      ],
    });
    await owner`update client set birth_year = 1958 where id = ${client.clientId}`;
    await owner`update episode set began_with = 'surgery' where id = ${client.episodeId}`;
    expect(await factsOf(client)).toMatchObject({ isFrail: false, weeksAfterSurgery: 8 });
    await measured(client, "sit_to_stand_30s", 6, MONDAY, { chairM: 0.43, armsUsed: false });
    expect(await factsOf(client)).toMatchObject({ isFrail: true });
  });

  test("without a condition of the rules there is none, and of two the one that is least far on leads", async () => {
    expect(await factsOf(await makeClient(clinic))).toMatch(/No condition of the rules/);
    const unfit = {
      conditionId: "deconditioning",
      variantId: "base",
      phaseId: "restart",
      beganOn: "2026-01-05",
    };
    const facts = await factsOf(await makeClient(clinic, { rules: [unfit, KNEE] }));
    expect(typeof facts !== "string" && facts.recipe.clinic.lines.map((l) => l.exerciseId)).toContain(
      "lp_mid_hip",
    );
  });
});

describe("Today before the morning after", () => {
  test("says from when it is asked instead of asking, and asks from 04:00 on", async () => {
    const { client } = await plannedClient(clinic);
    await runVisit(clinic, client, { at: daysLater(1, 16) });
    const dayAt = (at: Date) =>
      clinic.as("therapist", async (ctx) => clientDay(ctx, await clientEpisode(ctx, client.clientId)), at);
    const evening = await dayAt(daysLater(1, 20));
    expect(evening.next).toMatchObject({ step: "morning", needsHand: false });
    expect(evening.next.why.code).toBe("desk.morning_later");
    expect(evening.steps.morning).toMatchObject({ state: "open" });
    // 02:30 at the clinic is still the night before
    expect((await dayAt(new Date(daysLater(2, 1).getTime() + 30 * 60_000))).next.why.code).toBe(
      "desk.morning_later",
    );
    const morning = await dayAt(daysLater(2, 7));
    expect(morning.next).toMatchObject({ step: "morning", needsHand: true });
    expect(morning.steps.morning).toMatchObject({ state: "due" });
  });

  test("a phase that nobody confirmed is due on the path until it is", async () => {
    const stepOf = async (isConfirmed: boolean) => {
      const client = await makeClient(clinic, { rules: [{ ...KNEE, phaseId: "flare", isConfirmed }] });
      const day = await clinic.as("therapist", async (ctx) =>
        clientDay(ctx, await clientEpisode(ctx, client.clientId)),
      );
      return day.steps.limits;
    };
    expect(await stepOf(false)).toEqual({ state: "due", why: { code: "path.confirm_phase" } });
    expect((await stepOf(true)).why.code).not.toBe("path.confirm_phase");
  });
});
