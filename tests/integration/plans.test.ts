import { randomUUID } from "node:crypto";
import { recordTest } from "@/server/measurements";
import { currentPlan, doseContext, savePlan } from "@/server/plans";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  owner,
  PLAN,
  plannedClient,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const plansOf = (episodeId: string) =>
  owner`select * from hold_plan where episode_id = ${episodeId} order by version`;

test("a saved plan keeps what was wanted and what was computed for it", async () => {
  const { client, plan } = await plannedClient(clinic);
  const back = await clinic.as("trainer", (ctx) => currentPlan(ctx, client.episodeId));
  expect(back?.plan).toEqual(PLAN);
  expect(back).toMatchObject({ version: 1, setting: plan.setting, madeBy: "Test therapist" });
  expect(back?.setting).toMatch(/^pin \d+( \+ 2.5)?$/);
  expect((back?.loadKg ?? 0) % 2.5).toBe(0);
  expect(back?.achievedTorqueNm).toBeLessThanOrEqual((back?.targetTorqueNm ?? 0) * 1.05);
  const [note] = await owner`select deed, before, after from audit where subject_id = ${plan.id}`;
  expect(note).toMatchObject({ deed: "plan.write", before: null, after: PLAN });
});

test("sending the same plan twice keeps one version", async () => {
  const { client, plan } = await plannedClient(clinic);
  const again = await clinic.as("therapist", (ctx) =>
    savePlan(ctx, client, { id: plan.id, baseVersion: 0, plan: PLAN }),
  );
  expect(again.version).toBe(1);
  expect(await plansOf(client.episodeId)).toHaveLength(1);
});

describe("is refused, and nothing is written:", () => {
  const refused = async (
    client: Awaited<ReturnType<typeof makeClient>>,
    plan: typeof PLAN,
    sentence: RegExp,
    role: "therapist" | "trainer" | "admin" = "therapist",
  ) => {
    const before = await plansOf(client.episodeId);
    await expect(
      clinic.as(role, (ctx) => savePlan(ctx, client, { id: randomUUID(), baseVersion: before.length, plan })),
    ).rejects.toThrow(sentence);
    expect(await plansOf(client.episodeId)).toHaveLength(before.length);
  };

  test("a plan without a strength test", async () => {
    await refused(await makeClient(clinic), PLAN, /measure this knee first/);
  });
  test("a plan by a trainer or an admin", async () => {
    const { client } = await plannedClient(clinic);
    await refused(client, PLAN, /Only a therapist changes a dose/, "trainer");
    await refused(client, PLAN, /Only a therapist changes a dose/, "admin");
  });
  test("an angle outside a limit", async () => {
    const { client } = await plannedClient(clinic, { limits: [{ low: 45, high: 90 }] });
    await refused(
      client,
      { ...PLAN, kneeFlexionDeg: 40 },
      /starts at 45° because a written note|starts at 45°, because/,
    );
    await refused(client, { ...PLAN, kneeFlexionDeg: 95 }, /ends at 90°/);
  });
  test("limits that leave no angle", async () => {
    const client = await makeClient(clinic, {
      limits: [
        { low: 80, high: null },
        { low: null, high: 60 },
      ],
    });
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
    await refused(client, PLAN, /leave no knee angle/);
  });
  test("the other knee", async () => {
    const { client } = await plannedClient(clinic);
    await refused(client, { ...PLAN, side: "left" }, /about the right knee/);
  });
  test("a hold longer than the knee can hold", async () => {
    const { client } = await plannedClient(clinic);
    const long = {
      ...PLAN,
      effort: { kind: "percent" as const, percent: 70 },
      pattern: { ...PLAN.pattern, holdS: 45 },
    };
    await refused(client, long, /predicted to fail after \d+ s, even in somebody who holds long/);
  });
  test("a machine whose lightest step is too heavy, while the strap is taken", async () => {
    const client = await makeClient(clinic);
    const weak = testInput({
      trials: [60, 62].map((forceN) => ({ id: randomUUID(), source: "typed" as const, forceN })),
    });
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, weak));
    await refused(
      client,
      { ...PLAN, kneeFlexionDeg: 80, ladderFromDeg: 80 },
      /lightest step of Bay extension/,
    );
    const strap = await clinic.as("therapist", (ctx) =>
      savePlan(ctx, client, {
        id: randomUUID(),
        baseVersion: 0,
        plan: { ...PLAN, kneeFlexionDeg: 80, ladderFromDeg: 80, means: "strap" },
      }),
    );
    expect(strap).toMatchObject({ setting: "strap with load cell", loadKg: null });
  });
});

describe("two therapists at the same plan", () => {
  test("the second is told who was first, and nothing of the first is lost", async () => {
    const { client } = await plannedClient(clinic);
    const save = (felt: number) =>
      clinic.as("therapist", (ctx) =>
        savePlan(ctx, client, {
          id: randomUUID(),
          baseVersion: 1,
          plan: { ...PLAN, effort: { kind: "felt", felt } },
        }),
      );
    await save(5);
    await expect(save(7)).rejects.toThrow(/Test therapist saved version 2 meanwhile/);
    const now = await clinic.as("therapist", (ctx) => currentPlan(ctx, client.episodeId));
    expect(now).toMatchObject({ version: 2, plan: { effort: { felt: 5 } } });
  });

  test("at the very same moment one wins and one is told", async () => {
    const { client } = await plannedClient(clinic);
    const both = await Promise.allSettled(
      [5, 7].map((felt) =>
        clinic.as("therapist", (ctx) =>
          savePlan(ctx, client, {
            id: randomUUID(),
            baseVersion: 1,
            plan: { ...PLAN, effort: { kind: "felt", felt } },
          }),
        ),
      ),
    );
    expect(both.map((b) => b.status).sort()).toEqual(["fulfilled", "rejected"]);
    const lost = both.find((b) => b.status === "rejected") as PromiseRejectedResult;
    expect(String(lost.reason.message)).toMatch(/meanwhile/);
    expect(await plansOf(client.episodeId)).toHaveLength(2);
  });
});

describe("what a dose is computed from", () => {
  test("the newest tests of the sore side only", async () => {
    const client = await makeClient(clinic);
    const at = (forceN: number, over: object, day: number) =>
      clinic.as(
        "therapist",
        (ctx) =>
          recordTest(
            ctx,
            client,
            testInput({
              trials: [forceN, forceN].map((f) => ({
                id: randomUUID(),
                source: "typed" as const,
                forceN: f,
              })),
              ...over,
            }),
          ),
        daysLater(day),
      );
    await at(300, {}, 0);
    await at(600, { side: "left" }, 1);
    await at(360, {}, 20);
    const context = await clinic.as("therapist", (ctx) => doseContext(ctx, client), daysLater(21));
    expect(context?.fit.testedDeg).toEqual([60]);
    expect(context?.testedOn).toBe("strength test of 22 Mar 2026");
    const perForce = (context?.fit.peakTorqueNm ?? 0) / (360 * 0.33);
    expect(perForce).toBeGreaterThan(1);
    expect(perForce).toBeLessThan(1.1);
  });
  test("limits that have ended no longer bind", async () => {
    const { client } = await plannedClient(clinic, { limits: [{ low: 45, high: 90 }] });
    await owner`update episode_limit set ends_on = '2026-03-10' where episode_id = ${client.episodeId}`;
    const on = (day: number) => clinic.as("therapist", (ctx) => doseContext(ctx, client), daysLater(day));
    expect((await on(8))?.window).toMatchObject({ fromDeg: 45, toDeg: 90 });
    expect((await on(9))?.window).toMatchObject({ fromDeg: 5, toDeg: 100 });
  });
});
